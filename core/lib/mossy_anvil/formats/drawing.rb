# frozen_string_literal: true

require "cgi"

module MossyAnvil
  module Formats
    # What the drawings at 1 : 1 have in common: SVG 1.1, sizes in mm, with a bar to measure the print by.
    module Drawing
      MARGIN_MM = 14
      FOOT_MM = 26
      BAR_MM = 100

      private

      # The whole drawing: so wide and tall inside its margins, what it shows in words, and its marks.
      def sheet(wide_mm, tall_mm, shows, marks)
        # No narrower than the bar and what stands beside it.
        wide, tall = [wide_mm + (2 * MARGIN_MM), BAR_MM + MARGIN_MM + 76].max, tall_mm + MARGIN_MM + FOOT_MM
        <<~SVG
          <svg xmlns="http://www.w3.org/2000/svg" width="#{mm(wide)}mm" height="#{mm(tall)}mm" viewBox="0 0 #{mm(wide)} #{mm(tall)}" font-family="sans-serif" font-size="4">
          <title>#{text("#{@blank.number} #{@blank.name}".strip)}: #{text(shows)}, 1 : 1</title>
          <g transform="translate(#{MARGIN_MM} #{MARGIN_MM})" fill="none" stroke="#000" stroke-width="0.35">
          #{[*marks, bar(tall_mm)].join("\n")}
          </g>
          </svg>
        SVG
      end

      def short(value) = format("%g", value.round(1))
      def mm(value) = format("%.3f", value)
      def text(words) = CGI.escapeHTML(words)
      def word(x_mm, y_mm, words, anchor: "middle") =
        %(<text x="#{mm(x_mm)}" y="#{mm(y_mm)}" text-anchor="#{anchor}" fill="#000" stroke="none">#{text(words)}</text>)
      # What is lettered on it, of the catalogue.
      def letter(key, **values) = Catalogue.t("lettering.#{key}", **values)
      def mark(defect, inside) = %(<g id="#{text(defect.id)}" data-type="#{defect.type}">#{inside}</g>)
      def named(defect) = "#{defect.id} #{Catalogue.t("defects.#{defect.type}")}"
      # [[x, y], ...] as the d of a path.
      def along(places) = "M#{places.map { |x_mm, y_mm| "#{mm(x_mm)} #{mm(y_mm)}" }.join("L")}"

      def bar(tall_mm)
        y_mm = tall_mm + 18
        ends = [0, BAR_MM].map { |x_mm| "M#{x_mm} #{mm(y_mm - 2)}v4" }.join
        %(<path id="scale" d="M0 #{mm(y_mm)}h#{BAR_MM}#{ends}"/>) +
          word(BAR_MM + 4, y_mm + 1.5, letter("bar", bar_mm: BAR_MM), anchor: "start")
      end
    end
  end
end
