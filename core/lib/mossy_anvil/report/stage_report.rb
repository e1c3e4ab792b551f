# frozen_string_literal: true

module MossyAnvil
  module Report
    # Everything calculated of one stage, as plain data, each number with its working.
    class StageReport
      DERIVED = { certainty: :derived, source: "geometry_on_the_cylindrical_grid" }.freeze

      # What #in_short tells.
      SHORT = %i[limit_rpm governed_by burst_rpm crack_runs_rpm unsafe].freeze

      # solid: the Assessment's SolidAnalysis, shared by the stages.
      def initialize(name, solid, workings)
        @name = name
        @solid = solid
        @blank = solid.blank
        @lathe = @blank.lathe
        @workings = workings
        @stage = solid.stage(name)
        @mass = solid.mass(@stage)
        @burst = solid.burst(@stage, @mass)
        @caps = StageCaps.new(name, solid, @stage, @mass, @burst, method(:put))
      end

      def to_h
        found = { **body.to_h, fragile: @caps.fragile?, **strength.to_h, **strength.side_force, **speeds }
        found.merge(StageMeeting.new(@solid, @stage, @caps, method(:put)).at(found[:limit_rpm]))
      end

      # The same, SHORT of it alone.
      def in_short = speeds.merge(strength.to_h).slice(*SHORT)

      # rpm to stay below, by itself.
      def limit_rpm = Turn::StageLimit.new(@caps.to_h, @lathe).rpm

      private

      def body = StageBody.new(@blank, @stage, @mass, method(:put))
      def strength = @strength ||= StageStrength.new(@solid, @stage, @mass, @burst, @caps, method(:put))

      def put(key, value, unit, formula, inputs: {}, **about)
        @workings.put(
          "/stages/#{@name}/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          inputs: inputs,
          **DERIVED,
          **about
        )
      end

      def speeds
        limit = Turn::StageLimit.new(@caps.to_h, @lathe)
        rpm =
          put(
            "limit_rpm",
            limit.rpm,
            "rpm",
            "the_lowest_of_all_caps",
            certainty: :rule_of_thumb,
            source: "each_cap_shows_its_own",
            inputs: limit.caps.to_h { |cap| [cap.key, [cap.rpm, "rpm"]] }
          )
        {
          limit_rpm: rpm,
          governed_by: limit.governed_by,
          unsafe: limit.unsafe?,
          caps: limit.caps.map { |cap| { key: cap.key, rpm: cap.rpm } },
          speed_steps_rpm: ladder(rpm),
          belt: @lathe&.belt_for(rpm)
        }
      end

      def ladder(limit_rpm)
        rungs = @lathe ? Turn::SpeedSteps.rungs(limit_rpm, @lathe.min_rpm) : []
        row = Table["speed"]["ladder"]
        rungs.each_with_index do |rung, index|
          put(
            "speed_steps_rpm/#{index}",
            rung,
            "rpm",
            "from_the_higher_of_the",
            certainty: :rule_of_thumb,
            source: row["source"],
            inputs: {
              "share_to_start_at" => [row["starts_at_share"] * 100, "%"],
              "limit" => [limit_rpm, "rpm"],
              "lathe_slowest" => [@lathe.min_rpm, "rpm"]
            }
          )
        end
      end
    end
  end
end
