# frozen_string_literal: true

module MossyAnvil
  module Report
    # How fast at each stage, what knocks, what might fly.
    class TurnAdvice
      include AdviceBuilder

      HEAT_APART = "Resin, plastic and horn soften and grab. Short cuts, sharp edges, let it cool; the maker's sheet comes first."
      STAND_ASIDE = "Stand out of the line of throw, full face shield on, at every step of speed."

      # List of findings, one for each stage first.
      def to_a
        found = @report[:stages].map { |name, stage| turn_stage(name, stage) }.push(say(:care, STAND_ASIDE), *in_doubt, *knocks, *throws)
        @blank.material.kind == "wood" ? found : found.push(say(:care, HEAT_APART))
      end

      private

      # Where a depth is in doubt and it matters: the last stage at its worst.
      def in_doubt
        name, stage = @report[:stages].select { |_, candidate| candidate[:worst] && candidate[:worst][:limit_rpm] < candidate[:limit_rpm] * 0.98 }.to_a.last
        return [] unless name

        doubt = "If every crack is as deep as it may be: #{STAGE_WORDS.fetch(name).downcase},"
        return [say(:stop, "#{doubt} not at all.", figure: "/stages/#{name}/limit_rpm")] if stage[:worst][:not_like_this]

        [say(:care, "#{doubt} below {worst} instead of {limit}.", figure: "/stages/#{name}/limit_rpm",
          worst: [stage[:worst][:limit_rpm], "rpm"], limit: [stage[:limit_rpm], "rpm"])]
      end

      # The first stage whose cut is out of the wood for a part of each turn.
      def knocks
        name, stage = @report[:stages].find { |_, candidate| candidate[:interrupted_cut] }
        return [] unless name

        cut = stage[:interrupted_cut]
        [say(cut[:air_share] > Turn::CuttingCircle::LIGHT_OVER ? :care : :plain,
          "#{STAGE_WORDS.fetch(name)}, {z} from the head and {r} from the axis the edge is in the air for {air} of the turn, knocking {knocks} at that limit: #{cut[:advice]}.",
          figure: "/stages/#{name}/interrupted_cut/air_share", z: [cut[:z_mm], "mm"], r: [cut[:radius_mm], "mm"], air: [cut[:air_share] * 100, "%"],
          knocks: [cut[:knocks_per_s], "a second"])]
      end

      # Half-held pieces as the lathe would first throw them.
      def throws
        @report[:stages][:blank][:loose_pieces].each_with_index.map do |piece, index|
          say(:care, "Loose piece #{piece[:id]} weighs {mass} and would fly off with {energy}.", figure: "/stages/blank/loose_pieces/#{index}/throw_energy_j",
            mass: [piece[:mass_g], "g"], energy: [piece[:throw_energy_j], "J"])
        end
      end

      def turn_stage(name, stage)
        figure = "/stages/#{name}/limit_rpm"
        word = STAGE_WORDS.fetch(name)
        limit = [stage[:limit_rpm], "rpm"]
        return say(:stop, "#{word}: unsafe as planned, #{no_speed(stage)}. #{lifts(stage)}", figure: figure, limit: limit) if stage[:not_like_this]
        if grows_first?(stage)
          return say(:plain, "#{word}: up to {limit}, limited by #{cap_name(stage)}. #{parted(stage[:crack_runs_at]).sub(/\A./, &:upcase)} would grow at about {runs}.",
            figure: figure, limit: limit, runs: [stage[:crack_runs_rpm], "rpm"])
        end

        say(:plain, "#{word}: up to {limit}, limited by #{cap_name(stage)}.", figure: figure, limit: limit)
      end

      def cap_name(stage)
        Turn::StageLimit::NAMES.fetch(stage[:governed_by])
      end
    end
  end
end
