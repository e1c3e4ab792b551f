# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to look out for with this stock and these defects, in one line.
    class Cautions
      include AdviceBuilder

      # One piece of advice.
      def to_a
        stock = @blank.material.stock
        named = [
          *(stock ? [Message.of("advice.stock_caution", stock: stock.term, caution: stock.caution)] : []),
          *rows.map { |row| Message.of("tables.cautions.#{row["mark"]}.text") }
        ]
        return [] if named.empty?

        [
          say(
            @report[:stages].any? { |_, stage| stage[:unsafe] } ? :stop : :care,
            "look_out",
            dangers: [named, "messages"]
          )
        ]
      end

      private

      def rows
        marks =
          @blank.material.character +
            @blank.defects.map { |defect| defect.detail_of(:of) == "knot" ? nil : defect.type }
        Table.rows("cautions").select { |row| marks.include?(row["mark"]) }
      end
    end
  end
end
