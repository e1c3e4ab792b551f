# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # The survey on paper: what is known and what to do on the first page, then section and skin at 1 : 1, laid over
      # as many pages as they need.
      class SurveySheet
        HEADS = %w[what where to_do why].freeze
        SHARES = [0.05, 0.17, 0.16, 0.14, 0.48].freeze

        # blank: of the core; assessment: of it, as plain data; now: Time it is printed at.
        def initialize(blank, assessment, now)
          @blank = blank
          @assessment = assessment
          @now = now
        end

        # The PDF's bytes.
        def pdf
          @paper = Paper.new(title, @now)
          @pdf = @paper.pdf
          @paper.start
          summary
          @paper.tiled(Texts.t("survey_sheet.section"), MossyAnvil::Formats::SectionMap.new(@blank).svg)
          @paper.tiled(Texts.t("survey_sheet.skin"), MossyAnvil::Formats::SkinMap.new(@blank).svg)
          @paper.bytes
        end

        private

        def title = "#{@blank.number} #{@blank.name}".strip

        def say(words, **how) = @paper.say(words, **how)

        def summary
          say(title, size: 20, style: :bold)
          say(facts)
          @pdf.move_down(8)
          @assessment[:advice][:survey].each_with_index do |advice, index|
            say(Texts.sentence(advice), size: index.zero? ? 13 : 10, style: index.zero? ? :bold : :normal)
          end
          @pdf.move_down(10)
          return say(Texts.t("survey_sheet.nothing")) if @assessment[:defects].empty?

          @paper.row(["", *HEADS.map { |head| Texts.t("survey_sheet.#{head}") }], SHARES, style: :bold)
          @assessment[:defects].each { |defect| @paper.row(row(defect), SHARES) }
        end

        def facts
          material, amount = @blank.material, Texts.method(:amount)
          Texts.t(
            "survey_sheet.facts",
            species: material.species,
            density: amount[material.density_kg_m3, "kg/m3"],
            moisture: amount[material.moisture_pct, "%"],
            across: amount[@blank.shape.max_radius_mm * 2, "mm"],
            long: amount[@blank.shape.length_mm, "mm"],
            mass: amount[@assessment[:stages][:blank][:mass_g], "g"],
            day: @now.strftime("%Y-%m-%d")
          )
        end

        def row(defect)
          own = @blank.defects.find { |found| found.id == defect[:id] }
          hour = own.path? ? own.path.first[:clock_deg] : own.clock_deg
          where = [Texts.amount(hour, "clock"), *defect[:where].map { |place| Texts.t("where.#{place}") }].join(", ")
          [
            defect[:id],
            Texts.t("defects.#{defect[:type]}"),
            where,
            Texts.t("verdicts.#{defect[:chosen] || defect[:verdict]}"),
            Texts.of(defect[:reason])
          ]
        end
      end
    end
  end
end
