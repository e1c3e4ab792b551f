# frozen_string_literal: true

module MossyAnvil
  module Report
    # Everything calculated of one defect, as plain data.
    class DefectReport
      MADE = Cache.new(500)
      # All that it follows from beside the defect (its share follows from those too): it is told no more of the blank
      # and of its drying, so that what is kept cannot be out of date.
      OF_BLANK = %i[shape form material].freeze
      OF_WATER = %i[moisture_pct targets].freeze
      BlankFacts = Struct.new(*OF_BLANK)

      # As #to_h, the workings put where they belong; the same one as long as all it follows from is the same.
      def self.of(defect, index, share, blank, workings, water:)
        told, water = BlankFacts.new(*OF_BLANK.map { |part| blank.public_send(part) }), water&.slice(*OF_WATER)
        report, own =
          MADE.of([defect, index, told.to_a, water]) do
            Workings.new.then do |kept|
              [Table.deep_freeze(new(defect, index, share, told, kept, water: water).to_h), kept]
            end
          end
        workings.take(own)
        report
      end

      # blank: one, or BlankFacts of it. water: what is told of its drying report, or nil.
      def initialize(defect, index, share, blank, workings, water: nil)
        @defect = defect
        @pointer = "/defects/#{index}"
        @share = share
        @blank = blank
        @workings = workings
        @water = water
      end

      def to_h
        {
          id: @defect.id,
          type: @defect.type,
          open_volume_mm3: open_volume,
          occupied_mm3: @share.occupied_mm3,
          removed_share: removed_share,
          remaining_depth_mm: @blank.form ? @share.remaining_depth_mm : nil,
          reaches_surface: @share.reaches_surface?,
          breaks_through: @share.breaks_through?,
          fill_volume_mm3: fill_volume,
          filler: filler,
          shows: @share.shows.map(&:to_s),
          by_test: @defect.by_test?,
          chosen: @defect.chosen,
          **judged
        }
      end

      private

      # Where it lies and what may be done about it.
      def judged
        where = Mend::DefectLocation.new(@defect, @share, @blank)
        answer = Mend::Triage.new(@defect, @share, @blank, where, water: @water).answer
        {
          where: where.names.map(&:to_s),
          ways: Mend::RepairOptions.new(@defect, @share, @blank, answer.verdict, water: @water).to_a,
          verdict: answer.verdict.to_s,
          reason: answer.reason
        }
      end

      def open_volume
        return 0.0 unless @defect.open?

        formula, inputs = @defect.path? ? path_working : body_working
        @workings.put(
          "#{@pointer}/open_volume_mm3",
          value: @share.open_mm3,
          unit: "mm3",
          formula: formula,
          inputs: inputs,
          source: "geometry_of_the_survey",
          certainty: :derived
        )
      end

      def path_working
        [
          (
            if @defect.through?
              "run_times_depth_times_mouth"
            else
              "half_of_run_times_depth_times"
            end
          ),
          {
            "run" => [@defect.run_mm(@blank.shape), "mm"],
            "depth" => [@defect.depth_mm, "mm"],
            "mouth" => [@defect.width_mm, "mm"]
          }
        ]
      end

      def body_working
        [
          "pi_over_6_of_its_extents",
          %w[radial tangential axial]
            .zip(@defect.size_mm)
            .to_h { |name, extent| [name, [extent, "mm"]] }
            .merge("open_share" => [@defect.open_share, ""])
        ]
      end

      def removed_share
        @workings.put(
          "#{@pointer}/removed_share",
          value: @share.removed_share,
          unit: "share",
          certainty: :derived,
          source: "geometry_of_the_survey_and",
          formula: "how_much_of_it_lies",
          inputs: {
            "takes_up_in_the_wood" => [@share.occupied_mm3, "mm3"],
            "stays" => [@share.occupied_mm3 * (1 - @share.removed_share), "mm3"]
          }
        )
      end

      def fill_volume
        return 0.0 unless @defect.open?

        @workings.put(
          "#{@pointer}/fill_volume_mm3",
          value: @share.fill_mm3,
          unit: "mm3",
          certainty: :derived,
          source: "geometry_of_the_survey_and",
          formula: "what_the_form_leaves_of",
          inputs: {
            "beyond_each_surface" => [Solid::DefectShare::FILL_PROUD_MM, "mm"],
            "open_volume" => [@share.open_mm3, "mm3"],
            "share_turned_away" => [@share.removed_share * 100, "%"]
          }
        )
      end

      def filler
        return unless @defect.open? && @share.fill_mm3.positive?

        row = Mend::Filling.filler_of(@defect, moisture_pct: @water&.fetch(:moisture_pct))
        row.slice("key", "working_min", "ready_min", "cure_h", "dry_to_pct").transform_keys(&:to_sym)
      end
    end
  end
end
