# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # The story of a piece on paper: to hand to whoever takes it, or with what it cost, to keep.
      class StorySheet
        PICTURE_PT, MOST_DRAWN_PT = 250, 330
        SHARES = [0.16, 0.6, 0.24].freeze

        # blank: of the core; story: as Services::Story#to_h has it, with string keys; pictures: of BeforeAndAfter#to_a;
        # shop: { name:, currency: }; cost: is what it cost told? now: Time it is printed at.
        def initialize(blank, story, pictures:, shop:, cost:, now:)
          @blank = blank
          @told, @story = story["told"], story
          @pictures = pictures
          @shop = shop
          @cost = cost
          @title = "#{blank.number} #{blank.name}".strip
          @paper = Paper.new(@title, now)
        end

        # The PDF's bytes.
        def pdf
          @paper.start
          head
          seen
          defects
          way
          incidents
          costs if @cost
          lessons
          @paper.bytes
        end

        private

        def say(words, **how) = @paper.say(words, **how)
        def words(key, **values) = Texts.t("story_sheet.#{key}", **values)
        def amount(value, unit) = Texts.amount(value, unit)
        def money(value) = format("%.2f %s", value, @shop[:currency])
        def ending = @story["ending"]
        def heading(key)
          @paper.pdf.move_down(10)
          say(words(key), size: 13, style: :bold)
        end

        def head
          say(@title, size: 22, style: :bold)
          say(@shop[:name], size: 10)
          @paper.pdf.move_down(6)
          say(
            [@told["stuff"], *(@told["origin"] ? [@told["origin"]] : []), amount(@told["largest_mm"], "mm")].join(" · ")
          )
          from, to = @story["days"].values_at("started_on", "last_on")
          say(words("days", from: from, to: ending ? ending["ended_on"] : to)) if from
          say(words("outcome.#{ending["outcome"]}", day: ending["ended_on"]), size: 12, style: :bold) if ending
        end

        # Its pictures side by side, and its section: at 1 : 1 where that fits.
        def seen
          @paper.pdf.move_down(10)
          pictures if @pictures.any?
          drawn if @told["form_kind"]
        end

        def pictures
          top = @paper.pdf.cursor
          tallest = @pictures.each_with_index.map { |one, index| picture(one, index, top) }.max
          @paper.pdf.move_cursor_to(top - tallest - 20)
        end

        # How tall it is, pt. one: [caption, JPEG, width as a share where both are to scale].
        def picture((caption, bytes, width), index, top)
          left = index * (PICTURE_PT + 16)
          size = width ? { width: PICTURE_PT * width } : { fit: [PICTURE_PT, PICTURE_PT] }
          shown = @paper.pdf.image(StringIO.new(bytes), at: [left, top], **size)
          @paper.pdf.text_box(
            @paper.plain(caption),
            at: [left, top - shown.scaled_height - 4],
            width: PICTURE_PT,
            size: 9
          )
          shown.scaled_height
        end

        def drawn
          svg = MossyAnvil::Formats::SectionMap.new(@blank).svg
          wide, tall = svg.match(/viewBox="0 0 ([\d.]+) ([\d.]+)"/).captures.map { |mm| mm.to_f * Paper::MM }
          share = [1.0, @paper.pdf.bounds.width / wide, MOST_DRAWN_PT / tall].min
          @paper.pdf.svg(@paper.plain(svg), width: wide * share, enable_web_requests: false)
        end

        def defects
          return if @told["defects"].empty?

          heading("survey")
          @told["defects"].each do |one|
            @paper.row([one["id"], Texts.t("defects.#{one["type"]}"), words("became.#{one["became"]}")], SHARES)
          end
        end

        def way
          return if @story["done"].empty?

          heading("way")
          @story["done"].each do |step|
            minutes = @cost ? amount(step["hands_min"], "min") : ""
            @paper.row([step["on"].to_s, Texts.of(step["name"]), minutes], SHARES)
          end
        end

        def incidents
          return if @story["incidents"].empty?

          heading("happened")
          @story["incidents"].each do |one|
            @paper.row([one["at"][0, 10], Texts.of(one["trouble"]), one["step"] ? Texts.of(one["step"]) : ""], SHARES)
          end
        end

        def costs
          heading("cost")
          (spent(ending || @story["suggested"]) + earned).each do |what, sum|
            @paper.row(["", what, money(sum)], SHARES)
          end
          @story["materials"].each { |row| @paper.row(["", row["name"], amount(row["grams"], "g")], SHARES) }
        end

        # List of [words, sum].
        def spent(about)
          hours = about["hours"].values.sum
          [
            [words("blank"), about["blank_cost"]],
            [words("materials"), about["materials_cost"]],
            [words("hours", hours: "#{hours.round(1)} h", rate: money(about["rate"])), hours * about["rate"]]
          ]
        end

        # What is known once it has ended, and once it is sold.
        def earned
          return [] unless ending

          names = ending["price"] ? %w[whole price margin] : %w[whole]
          names.map { |name| [words(name), ending[name == "whole" ? "cost" : name]] }
        end

        def lessons
          learnt = ending && ending["lessons"].to_s
          return if learnt.to_s.empty? || !@cost

          heading("lessons")
          say(learnt)
        end
      end
    end
  end
end
