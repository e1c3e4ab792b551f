# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A blank to practise on as the core makes it from its seed and level, and what tests find of its truth.
      class Practising
        # Where the camera stands for its sides.
        SIDES = [0, 90, 180, 270].freeze

        def initialize(seed, level)
          @seed = seed
          @made = MossyAnvil::Rehearsal::BlindBlank.new(seed: seed, level: level)
          @level = level
        end

        def document = @made.document
        def truth = @truth ||= Reckoner.blank(@made.truth_document)

        # What a camera sees of it, as photographs are kept: [Prints::PaintedWood, what is said of it].
        def pictures
          ends =
            %w[tail_face head_face].map do |face|
              painted = Prints::PaintedEnd.new(truth, @seed, face)
              [painted, { **painted.about, "caption" => Prints::Texts.t("painted.#{face}") }]
            end
          ends +
            SIDES.map do |clock_deg|
              painted = Prints::PaintedSide.new(truth, @seed, clock_deg)
              clock = Prints::Amounts.text(clock_deg, "clock")
              [painted, { **painted.about, "caption" => Prints::Texts.t("painted.side", clock: clock) }]
            end
        end

        # One test on it: { "kind", "of" or "clock_deg" and "z_mm" }. kept: the learner's document; now: Time. Gives
        # { told:, minutes:, document:, reading: }: what it found, what it took, the document and, for what is kept as a
        # reading, that. Raises InvalidInput where there is nothing to test.
        def test(asked, kept, now)
          kind = asked["kind"]
          told = found(asked, kept) or
            raise MossyAnvil::InvalidInput,
                  [MossyAnvil::Fault.new(path: "/test/of", problem: MossyAnvil::Fault.t("rehearsal.no_such_defect"))]
          {
            told: told,
            minutes: MossyAnvil::Table["rehearsal"]["minutes"][kind],
            document: kind == "feel" ? felt(kept, asked["of"], told[:depth_mm]) : kept,
            reading: reading(kind, asked, told, now)
          }
        end

        def self.budget_min(level) = MossyAnvil::Table["practice"]["budget_min"][level - 1]
        def self.minutes = MossyAnvil::Table["rehearsal"]["minutes"].slice(*MossyAnvil::Rehearsal::HandTests::KINDS)
        def self.graded = MossyAnvil::Table["practice"]["graded"]

        private

        def found(asked, kept)
          true_blank = truth
          tests = MossyAnvil::Rehearsal::HandTests
          tests = tests.new(true_blank.defects, tests.skin_of(true_blank.shape))
          return tests.public_send(asked["kind"], *asked.values_at("clock_deg", "z_mm")) if asked.key?("clock_deg")

          tests.public_send(asked["kind"], true_id(kept, asked["of"], true_blank))
        end

        # The learner may have named it anew: what lies at its mouth is meant.
        def true_id(kept, id, true_blank)
          surveyed = Reckoner.blank(kept)
          reveal = MossyAnvil::Rehearsal::Reveal.new(surveyed, true_blank)
          true_blank.defects.find { |defect| reveal.found_as(defect)&.id == id }&.id
        end

        def felt(kept, id, depth_mm)
          defects =
            kept["defects"].map do |defect|
              next defect unless defect["id"] == id

              defect.except("depth_range_mm").merge("depth_mm" => depth_mm.round(1), "found_by" => "feeler")
            end
          kept.merge("defects" => defects)
        end

        def reading(kind, asked, told, now)
          at = asked.slice("clock_deg", "z_mm")
          return if at.size < 2 || kind == "feel"

          reading = { "kind" => kind, "taken_at" => now.utc.iso8601, "at" => at }
          return { **reading, "value" => told[:depth_mm] } if kind == "awl"

          { **reading, "found" => told[:dull] ? "dull" : "clear" }
        end
      end
    end
  end
end
