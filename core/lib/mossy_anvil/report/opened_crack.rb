# frozen_string_literal: true

module MossyAnvil
  module Report
    # A crack that opened while the piece was cut, before anybody has looked at it: along the whole of that cut, and as
    # deep as it may be. Not surveyed is not sound.
    class OpenedCrack
      LEAST_RUN_MM = 10.0
      WIDE_MM = 0.5
      LETTERS = ("A".."Z").to_a.freeze

      # document: of the blank as kept, string-keyed. z_mm: [from, to] of the cut, nil for the whole length; clock_deg:
      # the hour it was seen at.
      def initialize(document, z_mm:, clock_deg:, on:)
        @document = document
        @blank = Formats::BlankFile.from_data(document)
        @z_mm = z_mm || [0.0, @blank.shape.length_mm]
        @clock_deg = ClockAngle.fold(clock_deg)
        @on = on
      end

      # The document with it.
      def document = @document.merge("defects" => [*@document["defects"], defect])

      # As in a blank file.
      def defect
        @defect ||= {
          "id" => id,
          "type" => "crack",
          "enters" => "side",
          "path" => span.map { |z_mm| { "clock_deg" => @clock_deg, "z_mm" => z_mm } },
          "depth_mm" => deep_mm,
          "width_mm" => WIDE_MM,
          "through" => true,
          "found_on" => @on
        }
      end

      def id = (LETTERS + LETTERS.product(("2".."9").to_a).map(&:join)).find { |one| !used.include?(one) }

      # rpm, at worst, from the stage a kind of step begins with to the one it ends at; 0 where no speed is safe.
      def limit_rpm(kind, assessed)
        passed = assessed[:stages].to_a
        last = passed.index { |name, _| name.to_s == Table.row("route", kind)["to"] }
        # A step that cuts nothing, as mounting it, may be any of them.
        found = (last ? passed[[last - 1, 0].max..last] : passed).map { |_, stage| stage[:worst] || stage }
        found.any? { |one| one[:unsafe] } ? 0.0 : found.map { |one| one[:limit_rpm] }.min
      end

      private

      # To the axis, whatever of it the form keeps.
      def deep_mm
        at = [[@clock_deg], [span.sum / 2]].map { |one| Numo::DFloat.cast(one) }
        (Numo::DFloat.zeros(1) + @blank.shape.radius_mm(*at))[0].floor(1)
      end

      def used = @used ||= @document["defects"].map { |one| one["id"] }

      # No shorter than can be told, and on the blank.
      def span
        middle, half = @z_mm.sum / 2.0, [(@z_mm[1] - @z_mm[0]) / 2.0, LEAST_RUN_MM / 2].max
        [middle - half, middle + half].map { |z_mm| z_mm.clamp(0.0, @blank.shape.length_mm).round(1) }
      end
    end
  end
end
