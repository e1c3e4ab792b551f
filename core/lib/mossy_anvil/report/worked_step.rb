# frozen_string_literal: true

module MossyAnvil
  module Report
    # A step of the route as a card asks it, where Mend has nothing to say of it: what to do when something happens.
    class WorkedStep
      # After anything that shook the piece it is begun again so much slower.
      SLOWER = 0.8

      # The line of what is glued: it waits as long as a usual glue does, the quickest to the slowest.
      def self.glue_wait
        minutes = Table.rows("glues").select { |row| row["proposed"] }.map { |row| row["ready_min"] }.minmax
        Mend::CardLine.of(:wait, "work.line.glued", minutes: minutes, unlocks: "turn").to_h
      end

      # kind: of the step; limit_rpm: of it, nil off the lathe; lines: of its card, plain data with string keys.
      def initialize(kind, limit_rpm, lines = [])
        @kind = kind
        @limit_rpm = limit_rpm
        @lines = lines
      end

      # { key:, says: [advice], lines: [what to do now] } of a row of the troubles table. Raises InvalidInput where it
      # does not happen at such a step, or what it asks for is missing.
      def trouble(key, amount: nil, **)
        row = Table.row("troubles", key, at: "/trouble")
        known = Mend::MendStep.troubles_of(@kind)
        unless known.include?(row)
          names = known.map { |one| one["key"] }.join(", ")
          raise InvalidInput.at(
                  "/trouble",
                  Fault.t("is", given: key),
                  Fault.t("one_of_at_such_a_step", troubles: names)
                )
        end

        if row["asks"] && amount.nil?
          raise InvalidInput.at("/amount", Fault.t("is_missing"), Fault.t("the_hour_it_was_seen_at_degrees"))
        end

        { key: key, says: [], lines: row.fetch("then", []).map { |one| line(one) } }
      end

      # As MendStep#verdict: what was measured says nothing of the piece, but is kept as a record of the shop's.
      # Raises InvalidInput for what cannot be.
      def verdict(measures)
        asked = @lines.select { |line| line["usual"]&.positive? && measures[line["measures"]] }
        { says: [], records: asked.map { |line| record(line, measures[line["measures"]]) }, lines: [] }
      end

      private

      # What it took over what the tables say.
      def record(line, value)
        kind, of = learnt(line["measures"])
        factor = value / line["usual"]
        refuse(line, kind, value) unless Model::ShopRecords.plausible?(kind, factor)
        { kind: kind, of: of, value: factor }
      end

      # [kind, what it is of] under core/data/rates.yaml.
      def learnt(measure)
        family, unit = measure.match(/\A(.*)_([a-z]+)\z/).captures
        return "soak_factor", family if unit == "g"
        return "coat_time_factor", family if unit == "h"

        @kind == "sand" ? ["sanding_factor", nil] : ["cutting_factor", @kind]
      end

      def refuse(line, kind, value)
        least, most =
          Table.row("rates", kind).values_at("least", "most").map { |times| (times * line["usual"]).round(1) }
        raise InvalidInput.at(
                "/value",
                Fault.t("is", given: Fault.shown(value)),
                Fault.t("a_number_from_to", low: least, high: most)
              )
      end

      def line(key)
        return self.class.glue_wait if key == "glued"

        target = key == "slower" && @limit_rpm ? { target: [@limit_rpm * SLOWER, "rpm", nil] } : {}
        Mend::CardLine.of(:do, "work.line.#{key}", **target).to_h
      end
    end
  end
end
