# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A survey held against the truth: what was found, what was missed and where one test would have found it, what was
    # feared for nothing.
    class Reveal
      # A crack is known when its depth is within this share of the truth; a body, when what was found lies so near, mm.
      DEPTH_SHARE = 0.25
      NEAR_MM = 20.0
      TESTS = { "void" => "tap", "soft_zone" => "awl", "galleries" => "awl" }.freeze

      # surveyed, truth: Blank; the survey of the one, all that is in the other.
      def initialize(surveyed, truth)
        @surveyed = surveyed
        @truth = truth
      end

      # { found: [ids], missed: [{ id:, type:, test: "none" for what no test reaches, clock_deg:, z_mm: }], feared:
      # [ids], score: } of 100.
      def to_h
        found, missed = @truth.defects.partition { |defect| known?(defect) }
        missed = missed.map { |defect| told(defect) }
        {
          found: found.map(&:id),
          missed: missed,
          feared: feared.map(&:id),
          score: score(found.size, missed.count { |one| one[:test] != "none" })
        }
      end

      # What a true defect was written down as; nil where it was not.
      def found_as(defect)
        return paths(@surveyed).find { |one| same_mouth?(one, defect) } if defect.path?

        @surveyed.defects.find { |other| body_near?(other, defect) }
      end

      private

      def known?(defect) = defect.path? ? measured?(defect) : !found_as(defect).nil?

      # The mouth can be seen; it is its depth that must be known.
      def measured?(defect)
        other = found_as(defect)
        !other.nil? && (other.depth_mm - defect.depth_mm).abs <= DEPTH_SHARE * defect.depth_mm
      end

      def same_mouth?(one, other)
        return false unless one.enters == other.enters

        turn = ClockAngle.turn(one.path.first[:clock_deg], other.path.first[:clock_deg]).abs
        turn < 15 && (one.path.first[:z_mm] - other.path.first[:z_mm]).abs < NEAR_MM
      end

      def body_near?(one, other)
        !one.path? && !other.path? && distance_mm(one, other) <= NEAR_MM + (other.size_mm.max / 2)
      end

      def distance_mm(one, other)
        here, there = [one, other].map { |body| [*ClockAngle.point(body.clock_deg, body.radius_mm), body.z_mm] }
        Math.sqrt(here.zip(there).sum { |from, to| (from - to)**2 })
      end

      def paths(blank) = blank.defects.select(&:path?)

      # Of the survey's: what is nowhere near anything true, and cracks written down half as deep again as they are.
      def feared
        @surveyed.defects.reject { |defect| defect.path? ? true_crack?(defect) : near_any?(defect) }
      end

      def near_any?(body) = @truth.defects.any? { |other| body_near?(body, other) }

      def true_crack?(defect)
        other = paths(@truth).find { |one| same_mouth?(one, defect) }
        !other.nil? && defect.depth_mm <= 1.5 * other.depth_mm
      end

      def told(defect)
        at = defect.path? ? defect.path.first : { clock_deg: defect.clock_deg, z_mm: defect.z_mm }
        { id: defect.id, type: defect.type, test: test_for(defect, at), clock_deg: at[:clock_deg], z_mm: at[:z_mm] }
      end

      # The quickest test right there that tells of it; "none" where it lies too deep for any.
      def test_for(defect, at)
        return "feeler" if defect.path?

        place = at.values_at(:clock_deg, :z_mm)
        return "awl" if TESTS[defect.type] == "awl" && tests.awl(*place)[:depth_mm].positive?

        tests.tap(*place)[:dull] ? "tap" : "none"
      end

      def tests = @tests ||= HandTests.new(@truth.defects, HandTests.skin_of(@truth.shape))

      # Each true thing that could be found counts alike; a fear for nothing takes half of one back.
      def score(found, missed)
        all = found + missed
        return 100.0 if all.zero? && feared.empty?

        (100.0 * (found - (feared.size / 2.0)) / [all, 1].max).clamp(0.0, 100.0)
      end
    end
  end
end
