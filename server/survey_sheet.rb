# frozen_string_literal: true

require "prawn"
require "prawn-svg"

module Loft
  # The survey on paper: what is known and what to do on the first page, then section and skin at 1 : 1, laid over as many pages as they need.
  # Every page has a bar of 100 mm to measure the print by.
  class SurveySheet
    MM = 72 / 25.4
    # Room for a drawing on a page, upright or across.
    TILES_MM = { portrait: [190, 250], landscape: [277, 163] }.freeze
    HEAD_MM = 7
    OVERLAP_MM = 6
    FOOT_MM = 14
    HEADS = ["", "What", "Where", "What to do", "Why"].freeze
    SHARES = [0.05, 0.17, 0.16, 0.14, 0.48].freeze

    # blank: of the core; assessment: of it, as plain data; now: Time it is printed at.
    def initialize(blank, assessment, now)
      @blank = blank
      @assessment = assessment
      @now = now
    end

    # The PDF's bytes.
    def pdf
      @pdf = Prawn::Document.new(page_size: "A4", margin: 10 * MM, skip_page_creation: true, info: { Title: plain(title), CreationDate: @now })
      @pdf.on_page_create { foot }
      @pdf.start_new_page
      @pdf.font("Helvetica")
      @pdf.default_leading(2)
      summary
      tiled("Section", MossyAnvil::SectionMap.new(@blank).svg)
      tiled("Skin", MossyAnvil::SkinMap.new(@blank).svg)
      @pdf.render
    end

    private

    def title = "#{@blank.number} #{@blank.name}".strip

    # The built-in letters are those of Windows-1252; any other is shown as a question mark.
    def plain(words) = words.encode("Windows-1252", invalid: :replace, undef: :replace, replace: "?").encode("UTF-8")

    def say(words, size: 10, **how) = @pdf.text(plain(words), size: size, **how)

    def summary
      say(title, size: 20, style: :bold)
      say(facts)
      @pdf.move_down(8)
      @assessment[:findings][:survey].each_with_index { |finding, index| say(Said.text(finding), size: index.zero? ? 13 : 10, style: index.zero? ? :bold : :normal) }
      @pdf.move_down(10)
      return say("Nothing found.") if @assessment[:defects].empty?

      line(HEADS, style: :bold)
      @assessment[:defects].each { |defect| line(row(defect)) }
    end

    def facts
      first = @assessment[:stages][:blank]
      ["#{@blank.material.species}, #{@blank.material.density_kg_m3.round} kg/m3 at #{Said.round(@blank.material.moisture_pct, 1)} %",
       "#{Said.amount(@blank.shape.max_radius_mm * 2, 'mm')} across at most, #{Said.amount(@blank.shape.length_mm, 'mm')} long", Said.amount(first[:mass_g], "g"),
       "printed #{@now.strftime('%-d %B %Y')}"].join("  -  ")
    end

    def row(defect)
      own = @blank.defects.find { |found| found.id == defect[:id] }
      hour = own.path? ? own.path.first[:clock_deg] : own.clock_deg
      what, to_do = [defect[:type], defect[:chosen] || defect[:verdict]].map { |word| word.tr("_", " ") }
      [defect[:id], what, [Said.amount(hour, "clock"), *defect[:where]].join(", "), to_do, defect[:reason]]
    end

    # Words in columns, over to the next page where they do not fit.
    def line(cells, style: :normal)
      wide = @pdf.bounds.width
      tall = cells.zip(SHARES).map { |cell, share| @pdf.height_of(plain(cell), width: (wide * share) - 4, size: 9, style: style) }.max + 5
      @pdf.start_new_page if @pdf.cursor - tall < FOOT_MM * MM
      top, left = @pdf.cursor, 0
      @pdf.stroke_color("999999") && @pdf.stroke_horizontal_line(0, wide, at: top + 2)
      cells.zip(SHARES) do |cell, share|
        @pdf.text_box(plain(cell), at: [left, top], width: (wide * share) - 4, size: 9, style: style)
        left += wide * share
      end
      @pdf.move_cursor_to(top - tall)
    end

    # A drawing of known size in mm over as many pages as it needs, a little of each on the next; the pages lie as fewer of them do.
    def tiled(name, svg)
      wide_mm, tall_mm = svg.match(/viewBox="0 0 ([\d.]+) ([\d.]+)"/).captures.map(&:to_f)
      layout, room = TILES_MM.min_by { |_, tile| grid([wide_mm, tall_mm], tile).inject(:*) }
      columns, rows = grid([wide_mm, tall_mm], room)
      rows.times.to_a.product(columns.times.to_a).each_with_index do |(row, column), index|
        @pdf.start_new_page(layout: layout)
        how = rows * columns > 1 ? ": row #{row + 1}, column #{column + 1}; lay the grey edges over each other" : ""
        say("#{name} of #{title}, 1 : 1, sheet #{index + 1} of #{rows * columns}#{how}", size: 9)
        tile(svg, wide_mm, room, [column, row].zip(room).map { |place, mm| place * (mm - OVERLAP_MM) })
      end
    end

    # How many pages across and down.
    def grid(size_mm, room_mm) = size_mm.zip(room_mm).map { |mm, room| [((mm - OVERLAP_MM) / (room - OVERLAP_MM)).ceil, 1].max }

    # One page's part of a drawing, which begins so far left of it and above.
    def tile(svg, wide_mm, room_mm, (left_mm, top_mm))
      @pdf.save_graphics_state do
        corner = [0, @pdf.bounds.top - (HEAD_MM * MM)]
        @pdf.stroke_color("BBBBBB")
        @pdf.stroke_rectangle(corner, room_mm[0] * MM, room_mm[1] * MM)
        @pdf.rectangle(corner, room_mm[0] * MM, room_mm[1] * MM)
        @pdf.add_content("W n")
        @pdf.svg(plain(svg), at: [corner[0] - (left_mm * MM), corner[1] + (top_mm * MM)], width: wide_mm * MM, enable_web_requests: false)
      end
    end

    # The bar to measure by, on every page as it begins.
    def foot
      @pdf.save_graphics_state do
        @pdf.stroke_color("000000")
        @pdf.line_width(0.8)
        @pdf.stroke_line([0, 5 * MM], [100 * MM, 5 * MM])
        [0, 100 * MM].each { |x| @pdf.stroke_line([x, 3.5 * MM], [x, 6.5 * MM]) }
        @pdf.draw_text("100 mm: measure it; print at 100 %, not fitted to the page", at: [103 * MM, 4 * MM], size: 8)
      end
    end
  end
end
