# frozen_string_literal: true

require "prawn"
require "prawn-svg"

module MossyAnvil
  module Server
    module Prints
      # Pages to print: words, and drawings at 1 : 1, or smaller where they are too large for that, laid over as many
      # pages as they need. Every page has a bar of 100 mm to measure the print by.
      class Paper
        MM = 72 / 25.4
        # Room for a drawing on a page, upright or across.
        TILES_MM = { portrait: [190, 250], landscape: [277, 163] }.freeze
        MARGIN_MM = 10
        HEAD_MM = 7
        OVERLAP_MM = 6
        FOOT_MM = 14
        # Of one drawing; and what it is made smaller by, one after another, until it fits on so many.
        MOST_PAGES = 40
        SCALES = [1, 2, 5, 10, 20, 50].freeze

        attr_reader :pdf

        def initialize(title, now)
          @title = title
          @pdf =
            Prawn::Document.new(
              page_size: "A4",
              margin: MARGIN_MM * MM,
              skip_page_creation: true,
              info: {
                Title: plain(title),
                CreationDate: now
              }
            )
          @pdf.on_page_create { foot }
        end

        # The built-in letters are those of Windows-1252; any other is shown as a question mark.
        def plain(words) =
          words.encode("Windows-1252", invalid: :replace, undef: :replace, replace: "?").encode("UTF-8")

        def start
          @pdf.start_new_page
          @pdf.font("Helvetica")
          @pdf.default_leading(2)
        end

        def say(words, size: 10, **how) = @pdf.text(plain(words), size: size, **how)
        def bytes = @pdf.render

        # Words in columns, each so much of the width, over to the next page where they do not fit.
        def row(cells, shares, style: :normal)
          wide = @pdf.bounds.width
          told = cells.zip(shares).map { |cell, share| [plain(cell), wide * share] }
          tall = told.map { |text, width| @pdf.height_of(text, width: width - 4, size: 9, style: style) }.max + 5
          @pdf.start_new_page if @pdf.cursor - tall < FOOT_MM * MM
          rule(wide)
          top, left = @pdf.cursor, 0
          told.each do |text, width|
            @pdf.text_box(text, at: [left, top], width: width - 4, size: 9, style: style)
            left += width
          end
          @pdf.move_cursor_to(top - tall)
        end

        # A drawing of known size in mm over as many pages as it needs, a little of each on the next; the pages lie as
        # fewer of them do. What would take more than MOST_PAGES is drawn smaller, and every page says how much. The
        # drawing is read once and laid on each page.
        def tiled(name, svg)
          scale, *printed_mm = scaled(svg)
          layout, room = TILES_MM.min_by { |_, tile| grid(printed_mm, tile).inject(:*) }
          places = places(printed_mm, room)
          places.each_with_index do |(row, column), index|
            @pdf.start_new_page(layout: layout)
            head(name, scale, index, places)
            keep(name, svg, printed_mm) if index.zero?
            tile(name, printed_mm[1], room, [column * (room[0] - OVERLAP_MM), row * (room[1] - OVERLAP_MM)])
          end
        end

        private

        def rule(wide)
          @pdf.stroke_color("999999")
          @pdf.stroke_horizontal_line(0, wide, at: @pdf.cursor + 2)
        end

        # How many pages across and down.
        def grid(size_mm, room_mm) =
          size_mm.zip(room_mm).map { |mm, room| [((mm - OVERLAP_MM) / (room - OVERLAP_MM)).ceil, 1].max }

        # One part in how many it is drawn, and its width and height on paper.
        def scaled(svg)
          size_mm = svg.match(/viewBox="0 0 ([\d.]+) ([\d.]+)"/).captures.map(&:to_f)
          scale = SCALES.find { |part| pages(size_mm, part) <= MOST_PAGES } || SCALES.last
          [scale, *size_mm.map { |mm| mm / scale }]
        end

        # [row, column] of every sheet.
        def places(size_mm, room_mm) = grid(size_mm, room_mm).then { |across, down| [*0...down].product([*0...across]) }

        def head(name, scale, index, places)
          more = how(places.size, *places[index], scale)
          sheet = { name: name, title: @title, scale: scale, sheet: index + 1, sheets: places.size, more: more }
          say(Texts.t("paper.sheet", **sheet), size: 9)
        end

        # How the sheets go together.
        def how(sheets, row, column, scale)
          joined = sheets > 1 ? Texts.t("paper.joined", row: row + 1, column: column + 1) : ""
          scale > 1 ? Texts.t("paper.too_large", joined: joined, sheets: MOST_PAGES) : joined
        end

        def pages(size_mm, scale) =
          TILES_MM.values.map { |room| grid(size_mm.map { |mm| mm / scale }, room).inject(:*) }.min

        # Keeps a drawing of so many mm on paper under a name, to be laid on pages: its lower left corner where the
        # page's margins meet.
        def keep(name, svg, size_mm)
          @pdf.create_stamp(name) do
            @pdf.svg(plain(svg), at: [0, size_mm[1] * MM], width: size_mm[0] * MM, enable_web_requests: false)
          end
          # The library bounds what it keeps by the page it was drawn on, and has no other way to say so.
          @pdf.send(:stamp_dictionary, name).last.data[:BBox] = [
            0,
            0,
            *size_mm.map { |mm| (mm + (2 * MARGIN_MM)) * MM }
          ]
        end

        # One page's part of a kept drawing so tall, which begins so far left of it and above.
        def tile(name, tall_mm, room_mm, (left_mm, top_mm))
          @pdf.save_graphics_state do
            corner = [0, @pdf.bounds.top - (HEAD_MM * MM)]
            @pdf.stroke_color("BBBBBB")
            @pdf.stroke_rectangle(corner, room_mm[0] * MM, room_mm[1] * MM)
            @pdf.rectangle(corner, room_mm[0] * MM, room_mm[1] * MM)
            @pdf.add_content("W n")
            @pdf.stamp_at(name, [-left_mm * MM, corner[1] + ((top_mm - tall_mm) * MM)])
          end
        end

        # The bar to measure by, on every page as it begins.
        def foot
          @pdf.save_graphics_state do
            @pdf.stroke_color("000000")
            @pdf.line_width(0.8)
            @pdf.stroke_line([0, 5 * MM], [100 * MM, 5 * MM])
            [0, 100 * MM].each { |x| @pdf.stroke_line([x, 3.5 * MM], [x, 6.5 * MM]) }
            @pdf.draw_text(Texts.t("paper.bar"), at: [103 * MM, 4 * MM], size: 8)
          end
        end
      end
    end
  end
end
