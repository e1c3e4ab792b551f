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

      # kind: of the step; limit_rpm: of it, nil off the lathe.
      def initialize(kind, limit_rpm)
        @kind = kind
        @limit_rpm = limit_rpm
      end

      # { key:, says: [advice], lines: [what to do now] } of a row of the troubles table. Raises InvalidInput where it
      # does not happen at such a step, or what it asks for is missing.
      def trouble(key, amount: nil, **)
        row = Table.row("troubles", key, at: "/trouble")
        known = Mend::MendStep.troubles_of(@kind)
        unless known.include?(row)
          names = known.map { |one| one["key"] }.join(", ")
          raise InvalidInput,
                [
                  Fault.new(
                    path: "/trouble",
                    problem: Fault.t("is", given: key),
                    allowed: Fault.t("one_of_at_such_a_step", troubles: names)
                  )
                ]
        end

        if row["asks"] && amount.nil?
          raise InvalidInput,
                [
                  Fault.new(
                    path: "/amount",
                    problem: Fault.t("is_missing"),
                    allowed: Fault.t("the_hour_it_was_seen_at_degrees")
                  )
                ]
        end

        { key: key, says: [], lines: row.fetch("then", []).map { |one| line(one) } }
      end

      # Nothing that is measured on the way says anything of it here.
      def verdict(_measures) = { says: [], records: [], lines: [] }

      private

      def line(key)
        return self.class.glue_wait if key == "glued"

        target = key == "slower" && @limit_rpm ? { target: [@limit_rpm * SLOWER, "rpm", nil] } : {}
        Mend::CardLine.of(:do, "work.line.#{key}", **target).to_h
      end
    end
  end
end
