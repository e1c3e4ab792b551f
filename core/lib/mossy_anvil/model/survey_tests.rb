# frozen_string_literal: true

require "time"

module MossyAnvil
  module Model
    # What tests in the hand make of a blank: soft zones by awl, thumbnail and water drop, pieces that move under the
    # blade, and what a dull knock may hide.
    # Tried again, the later word counts.
    class SurveyTests
      # Kinds that answer the same question.
      ANSWERS = {
        "awl" => :soft,
        "thumbnail" => :soft,
        "drop" => :soft,
        "tap" => :hollow,
        "pry" => :loose,
        "lamp" => :thin
      }.freeze
      # Of more than so many, the latest.
      MOST = 200

      # surveyed: the defects found so far; readings: symbol-keyed, as in a blank file.
      def initialize(shape, surveyed, readings)
        @shape = shape
        @surveyed = surveyed
        @rule = Table["tests"]["shows"]
        @readings = standing(readings.select { |reading| ANSWERS.key?(reading[:kind]) })
      end

      # The readings that still count, as they were given.
      def current = @readings

      # Bodies that tests show: soft zones and loose pieces, with ids of their own (t1, t2 ...).
      def shown = @shown ||= numbered("t", SoftTests.new(@shape, @surveyed, @readings).zones + moving_pieces)

      # Bodies that a dull knock may hide, where nothing found so far explains it.
      def suspects
        @suspects ||=
          numbered(
            "u",
            of("tap", "dull")
              .map { |reading| SurveyPlace.of(reading, @shape) }
              .reject { |at| explained?(at) }
              .map { |at| hollow(at) }
          )
      end

      private

      # Without those that a later one at the same place, to the same question, has overtaken.
      def standing(readings)
        latest =
          readings
            .each_with_index
            .sort_by { |reading, index| [Time.parse(reading[:taken_at]), index] }
            .last(MOST)
            .map(&:first)
        kept = []
        latest.reverse_each do |reading|
          at = SurveyPlace.of(reading, @shape)
          unless kept.any? { |later, there| ANSWERS[later[:kind]] == ANSWERS[reading[:kind]] && same?(at, there) }
            kept << [reading, at]
          end
        end
        kept.map(&:first).reverse
      end

      def same?(one, other) = one.surface == other.surface && one.apart_mm(other) <= @rule["same_place_mm"]

      def of(kind, found) = @readings.select { |reading| reading[:kind] == kind && reading[:found] == found }

      # What moves under the blade and is not down as loose yet.
      def moving_pieces
        rule = @rule["moves"]
        known = @surveyed.select { |defect| defect.type == "loose_piece" }
        of("pry", "moves")
          .map { |reading| SurveyPlace.of(reading, @shape) }
          .reject { |at| known.any? { |piece| at.within?(piece, rule["size_mm"].max) } }
          .map do |at|
            {
              type: "loose_piece",
              centre: at.under(rule["size_mm"][0] / 2.0, @shape),
              size_mm: rule["size_mm"],
              detail: {
                bonded_share: rule["bonded_share"]
              }
            }
          end
      end

      def hollow(at)
        {
          type: "void",
          centre: at.under(@rule["dull"]["under_mm"], @shape),
          size_mm: @rule["dull"]["size_mm"],
          detail: {
            contents: "air"
          }
        }
      end

      def explained?(at)
        reach = @rule["dull"]["explained_within_mm"]
        (@surveyed + shown).any? do |defect|
          defect.path? ? at.near_seam?(defect, reach, @shape) : at.within?(defect, reach)
        end
      end

      def numbered(letter, bodies)
        taken = @surveyed.map(&:id)
        free = (1..).lazy.map { |number| "#{letter}#{number}" }.reject { |id| taken.include?(id) }
        bodies
          .zip(free.first(bodies.size))
          .map { |body, id| BodyDefect.new(id: id, **body, detail: body[:detail].merge(by_test: true)) }
      end
    end
  end
end
