# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What the journal says of a card that has ended: written in the language of the day, as anything in a journal.
      class CardNote
        LONGEST = 2000

        # card: as Store::Cards#find has it. view: its CardView.
        def initialize(card, view)
          @card = card
          @view = view
        end

        def text = [worked, *measured].join(" ")[0, LONGEST]

        private

        def worked
          done = @view.lines.count { |line| @view.done?(line["key"]) }
          steps = @card[:steps].map { |step| name(step) }
          Prints::Texts.t("card.worked", steps: steps.join("; "), done: done, lines: @view.lines.size)
        end

        def measured
          @card[:steps].flat_map { |step| @view.measures(step["id"]).map { |what, value| measure(step, what, value) } }
        end

        def measure(step, what, value)
          Prints::Texts.t("card.measured", step: name(step), what: measured_what(what), value: value.round(1))
        end

        # By its own name, or by its unit: of a finish by the family.
        def measured_what(what)
          family, unit = what.match(/\A(.+)_(g|h)\z/)&.captures
          unless MossyAnvil::Table.rows("finishes").any? { |row| row["key"] == family }
            return Prints::Texts.t("card.measures.#{what}")
          end

          "#{Prints::Texts.t("tables.finishes.#{family}.name")}, #{Prints::Texts.t("card.measures.#{unit}")}"
        end

        def name(step) = Prints::Texts.of(step["name"])
      end
    end
  end
end
