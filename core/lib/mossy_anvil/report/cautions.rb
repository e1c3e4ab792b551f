# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to look out for with this stock and these findings, in one line.
    class Cautions
      include AdviceBuilder

      # One finding.
      def to_a
        named = [*own, *rows.map { |row| row["text"] }]
        return [] if named.empty?

        [say(@report[:stages].any? { |_, stage| stage[:not_like_this] } ? :stop : :care, "Look out: #{named.join('; ')}. #{Table['cautions']['usual']}")]
      end

      private

      # What its kind is known for, with its name; what to do about it the usual says.
      def own
        stock = @blank.material.stock
        stock ? ["#{stock.name}, #{stock.caution.split(':').first}"] : []
      end

      def rows
        marks = @blank.material.character + @blank.defects.map { |defect| defect.detail_of(:of) == "knot" ? nil : defect.type }
        Table.rows("cautions").select { |row| marks.include?(row["mark"]) }
      end
    end
  end
end
