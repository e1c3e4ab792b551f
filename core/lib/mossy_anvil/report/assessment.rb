# frozen_string_literal: true

module MossyAnvil
  module Report
    # A blank in, everything the job wants to know of it out.
    class Assessment
      # climate: ShopClimate. now: Time, or nil to count waits from the last reading. fineness: :default or :fine.
      def initialize(blank, climate: ShopClimate.new, now: nil, fineness: :default, records: Model::ShopRecords.new)
        @records = records
        @surveyed = blank
        @blank = blank.on_centres
        @climate = climate
        @now = now
        @fineness = fineness
      end

      # Plain data, numbers at full precision: stages by name, defects in the order of the survey, form, drying, finish,
      # advice by station, next_move, geometry for drawing, and workings by JSON Pointer.
      def to_h
        @to_h ||=
          begin
            workings = Workings.new
            report = reckon(SolidAnalysis.new(@blank, @climate, @fineness), workings)
            advice = AdviceList.new(@blank, report)
            report.merge(
              verdict: advice.verdict.to_s,
              advice: advice.to_h,
              next_move: next_move(report),
              geometry: Geometry.new(@blank, @surveyed).to_h,
              workings: workings.to_h
            )
          end
      end

      private

      def coverage
        seen = @surveyed.coverage
        {
          recorded: seen.recorded?,
          needed: seen.needed?,
          share: seen.share,
          gaps: seen.gaps,
          unseen_ends: seen.unseen_ends,
          tested_share: Model::TestReach.share(@surveyed.shape, @surveyed.readings)
        }
      end

      def next_move(report)
        NextMove.new(
          report,
          planned: @blank.mend ? @blank.mend[:steps] : [],
          choices: @blank.route_choices,
          roughed: !@blank.roughed_out.nil?
        ).to_h
      end

      # What each stage comes to if every crack is as deep as it may be, where any is in doubt. Never better than as
      # surveyed.
      def add_worst(stages)
        worst = @blank.at_worst or return
        solid = SolidAnalysis.new(worst, @climate, @fineness)
        stages.each do |name, stage|
          found = StageReport.new(name, solid, Workings.new).in_short
          stage[:worst] = found[:limit_rpm] <= stage[:limit_rpm] ? found : stage.slice(*StageReport::SHORT)
        end
      end

      def reckon(solid, workings)
        stages =
          Solid::Stage
            .names_for(@blank)
            .to_h { |name| [name, StageReport.new(name, solid, workings).to_h.merge(worst: nil)] }
        solid.let_go
        add_worst(stages)
        water = DryingReport.new(@blank, @climate, workings, now: @now, records: @records).to_h
        defects = defects(solid, workings, water)
        {
          name: @blank.name,
          number: @blank.number,
          coverage: coverage,
          stages: stages,
          defects: defects,
          worth: ValueReport.new(@blank, defects, workings).to_h,
          **IntersectionReport.new(solid, workings).to_h,
          form: FormReport.new(solid, @surveyed, workings).to_h(stages, water),
          drying: water,
          finish: FinishReport.new(solid, stages, workings).to_h
        }
      end

      def defects(solid, workings, water)
        solid.shares.each_with_index.map do |(defect, share), index|
          DefectReport.of(defect, index, share, @blank, workings, water: water)
        end
      end
    end
  end
end
