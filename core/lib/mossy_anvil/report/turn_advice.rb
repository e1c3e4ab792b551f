# frozen_string_literal: true

module MossyAnvil
  module Report
    # How fast at each stage, what knocks, what might fly.
    class TurnAdvice
      include AdviceBuilder

      # A worst case no slower than this share of the limit is no news.
      WORSE_SHARE = 0.98

      # List of advice, one for each stage first.
      def to_a
        found =
          @report[:stages]
            .map { |name, stage| limit(name, stage) }
            .push(say(:care, "turn.stand_aside"), *in_doubt, *knocks, *throws)
        @blank.material.kind == "wood" ? found : found.push(say(:care, "turn.heat"))
      end

      private

      # Where a depth is in doubt and it matters: the last stage at its worst.
      def in_doubt
        name, stage =
          @report[:stages]
            .select do |_, candidate|
              candidate[:worst] && candidate[:worst][:limit_rpm] < candidate[:limit_rpm] * WORSE_SHARE
            end
            .to_a
            .last
        return [] unless name

        about = { figure: "/stages/#{name}/limit_rpm", stage: stage_term(name) }
        return [say(:stop, "turn.worst_not_at_all", **about)] if stage[:worst][:unsafe]

        [
          say(
            :care,
            "turn.worst",
            **about,
            worst: [stage[:worst][:limit_rpm], "rpm"],
            limit: [stage[:limit_rpm], "rpm"]
          )
        ]
      end

      # The first stage whose cut is out of the wood for a part of each turn.
      def knocks
        name, stage = @report[:stages].find { |_, candidate| candidate[:interrupted_cut] }
        return [] unless name

        cut = stage[:interrupted_cut]
        [
          say(
            cut[:air_share] > Turn::CuttingCircle::LIGHT_OVER ? :care : :plain,
            "turn.knocks",
            figure: "/stages/#{name}/interrupted_cut/air_share",
            stage: stage_term(name),
            z: [cut[:z_mm], "mm"],
            r: [cut[:radius_mm], "mm"],
            air: [cut[:air_share] * 100, "%"],
            knocks: [cut[:knocks_per_s], "a second"],
            do: Table.term("interrupted_cut", cut[:advice], "advice")
          )
        ]
      end

      # Half-held pieces as the lathe would first throw them.
      def throws
        @report[:stages][:blank][:loose_pieces].each_with_index.map do |piece, index|
          say(
            :care,
            "turn.throws",
            figure: "/stages/blank/loose_pieces/#{index}/throw_energy_j",
            id: Message.text(piece[:id]),
            mass: [piece[:mass_g], "g"],
            energy: [piece[:throw_energy_j], "J"]
          )
        end
      end

      def limit(name, stage)
        about = { figure: "/stages/#{name}/limit_rpm", stage: stage_term(name), limit: [stage[:limit_rpm], "rpm"] }
        if stage[:unsafe]
          return(
            say(
              :stop,
              stage[:limit_rpm].zero? ? "turn.no_speed" : "turn.slower_than_lathe",
              **about,
              lifts: lifts(stage)
            )
          )
        end

        cause = Message.term("caps.#{stage[:governed_by]}.name")
        return say(:plain, "turn.limit", **about, cause: cause) unless grows_first?(stage)

        say(
          :plain,
          "turn.limit_and_growth",
          **about,
          cause: cause,
          what: opened(stage[:crack_runs_at]),
          speed: [stage[:crack_runs_rpm], "rpm"]
        )
      end
    end
  end
end
