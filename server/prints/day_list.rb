# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # What each is to do on one day, to hang up: who, from when to when, which piece, what and where; and what is
      # ready on its own that day.
      class DayList
        SHARES = [0.14, 0.3, 0.4, 0.16].freeze

        # board: as Services::BoardView#to_h has it. day: Date. shop: its name. now: Time it is printed at.
        def initialize(board, day:, shop:, now:)
          @board = board
          @day = day
          @title = Texts.t("day_list.title", shop: shop, day: day.strftime("%A %-d %B %Y"))
          @paper = Paper.new(@title, now)
        end

        # The PDF's bytes.
        def pdf
          @paper.start
          @paper.say(@title, size: 16, style: :bold)
          work = lines.group_by { |line| line[:person] }
          @paper.say(Texts.t("day_list.nothing")) if work.empty?
          work.sort_by { |person, _| person || 0 }.each { |person, own| hands(person, own) }
          list(Texts.t("day_list.ready"), ready)
          @paper.bytes
        end

        private

        # Every part of a step that is worked at that day, in order.
        def lines
          @board[:pieces]
            .flat_map { |piece| piece[:steps].flat_map { |step| parts(piece, step) } }
            .select { |line| line[:from].to_date == @day }
            .sort_by { |line| line[:from] }
        end

        def parts(piece, step)
          step[:parts].map do |part|
            from, to = part.values_at(:from, :to).map { |text| Time.iso8601(text) }
            { person: step[:person], from: from, to: to, piece: piece, lathe: step[:lathe], names: [step[:name]] }
          end
        end

        # What somebody does at one piece without a break, at one place, is one line.
        def joined(lines)
          lines.each_with_object([]) do |line, list|
            last = list.last
            if last && last[:to] == line[:from] && last.values_at(:piece, :lathe) == line.values_at(:piece, :lathe)
              list[-1] = last.merge(to: line[:to], names: last[:names] + line[:names])
            else
              list << line
            end
          end
        end

        def hands(person, own)
          name = @board[:people].find { |one| one[:id] == person }&.fetch(:name) || Texts.t("day_list.somebody")
          list(name, joined(own).map { |line| cells(line) })
        end

        def cells(line)
          [
            line.values_at(:from, :to).map { |time| time.strftime("%H:%M") }.join(" - "),
            title(line[:piece]),
            line[:names].map { |words| Texts.of(words) }.join(Texts.t("lists.comma")),
            line[:lathe].to_s
          ]
        end

        # What ends of a piece and when, and when it is to be weighed.
        def ends(piece)
          waits = piece[:steps].reject { |step| step[:until] == step[:parts].last[:to] }
          over = [piece[:under_way], *waits].compact.map { |one| [one[:until], Texts.of(one[:name])] }
          weighed = piece.dig(:under_way, :weigh)&.then { |time| [[time, Texts.t("day_list.weigh")]] } || []
          (over + weighed).map { |time, words| [Time.iso8601(time), title(piece), words, ""] }
        end

        # Waits that are over that day, and what is to be weighed.
        def ready
          @board[:pieces]
            .flat_map { |piece| ends(piece) }
            .select { |time, *| time.to_date == @day }
            .sort_by(&:first)
            .map { |time, *words| [time.strftime("%H:%M"), *words] }
        end

        def title(piece) = [piece[:number], piece[:name]].compact.join(" ")

        def list(head, rows)
          return if rows.empty?

          @paper.pdf.move_down(12)
          @paper.say(head, size: 13, style: :bold)
          rows.each { |cells| @paper.row(cells, SHARES) }
        end
      end
    end
  end
end
