# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What may lie in the wood where nobody looked: how many of each kind by its character (core/data/odds.yaml),
    # anywhere but where a test or an eye would have found it.
    class HiddenTroubles
      MM3_PER_L = 1e6
      # As a survey would write it down; what lies within and opens nowhere is a body, whatever its kind.
      BODIES = {
        "void" => ["void", { contents: "air" }],
        "crack" => ["void", { contents: "air" }],
        "opened_line" => ["void", { contents: "air" }],
        "bubbles" => ["void", { contents: "air" }],
        "bark" => ["void", { contents: "bark" }],
        "soft_zone" => ["soft_zone", { grade: "soft" }],
        "galleries" => ["galleries", { hole_diameter_mm: 2.0, holes_per_cm2: 2.0 }]
      }.freeze

      # blank: as surveyed, about the survey's own axis. denser: so many times as much.
      def initialize(blank, denser: 1.0)
        @blank = blank
        @denser = denser
        @shape = blank.shape
        @radius_mm = @shape.max_radius_mm
        @litres = Math::PI * (@radius_mm**2) * @shape.length_mm / MM3_PER_L
        @seen_share = blank.coverage.share
        @tests = blank.tests.filter_map { |test| test_at(test) }
      end

      # List of BodyDefect, ids from "h1" on. draws: Draws of one truth.
      def drawn(draws)
        means
          .flat_map do |kind, mean|
            Array.new(draws.poisson("hidden #{kind}", mean * @litres * @denser)) { |at| [kind, "#{kind} #{at}"] }
          end
          .filter_map { |kind, name| one(draws, kind, name) }
          .each_with_index
          .map { |body, at| body.call("h#{at + 1}") }
      end

      # { kind => how many a litre, on average }.
      def means
        rows = Table["odds"]["hidden"]
        cast = @blank.material.wooden? && @blank.material.kind != "hybrid" ? [] : ["cast"]
        ["any", *@blank.material.character, *cast].filter_map { |name| rows[name] }
          .each_with_object(Hash.new(0.0)) { |row, sum| row.each { |kind, mean| sum[kind] += mean } }
      end

      private

      # Even over a cylinder round the blank; what falls outside the wood is none.
      def one(draws, kind, name)
        clock_deg = 360 * draws.share("#{name} clock")
        r_mm = @radius_mm * Math.sqrt(draws.share("#{name} r"))
        z_mm = @shape.length_mm * draws.share("#{name} z")
        skin = skin_mm(clock_deg, z_mm)
        return if r_mm > skin

        size = size_mm(draws, kind, name)
        return if shows?(r_mm, z_mm, size, skin) && draws.share("#{name} seen") < @seen_share
        return if draws.share("#{name} tested") >= left_share(clock_deg, r_mm, z_mm)

        ->(id) { body(id, kind, [clock_deg, r_mm, z_mm], size, draws.share("#{name} holds")) }
      end

      def size_mm(draws, kind, name)
        row = Table["odds"]["size_mm"]
        long = [draws.lognormal("#{name} size", row["median"], row["spread"]), row["most"]].min
        Table["odds"]["shapes"].fetch(kind).map { |share| [share * long, 0.5].max }
      end

      def skin_mm(clock_deg, z_mm) = (@skin ||= HandTests.skin_of(@shape)).call(clock_deg, z_mm)

      # Does it come out on the skin?
      def shows?(r_mm, z_mm, size, skin)
        r_mm + (size[0] / 2) > skin || z_mm < size[2] / 2 || z_mm > @shape.length_mm - (size[2] / 2)
      end

      # Share of what would be there that tests leave.
      def left_share(clock_deg, r_mm, z_mm)
        row = Table["odds"]["tests"]
        x, y = ClockAngle.point(clock_deg, r_mm)
        @tests
          .map do |kind, (tx, ty, tz), reach|
            away = Math.sqrt(((x - tx)**2) + ((y - ty)**2) + ((z_mm - tz)**2))
            if kind == "tap"
              away <= row["tap_within_mm"] ? row["tap_share"] : 1.0
            else
              away <= [reach, row["awl_within_mm"]].max ? 0.0 : 1.0
            end
          end
          .min || 1.0
      end

      # [kind, [x, y, z], mm deep] of a test that found nothing there.
      def test_at(test)
        at = test[:at] or return
        return if test[:kind] == "tap" && test[:found] == "dull"
        return unless %w[tap awl feeler probe].include?(test[:kind])

        radius = at[:r_mm] || skin_mm(at[:clock_deg], at[:z_mm])
        [test[:kind], [*ClockAngle.point(at[:clock_deg], radius), at[:z_mm]], (test[:depth_mm] || 0).to_f]
      end

      def body(id, kind, (clock_deg, r_mm, z_mm), size, share)
        type, detail = BODIES.fetch(kind)
        detail = detail.merge(contents: "stone") if kind == "void" && share < Table["odds"]["stone_share"]
        centre = { clock_deg: clock_deg, r_mm: r_mm, z_mm: z_mm }
        Model::BodyDefect.new(id: id, type: type, centre: centre, size_mm: size, detail: detail)
      end
    end
  end
end
