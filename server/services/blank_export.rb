# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A blank in each of the formats it is written in, but for the parcel, which Archive writes.
      class BlankExport
        BLANK_TYPE = "application/vnd.mossy-anvil.blank+json"

        # document: as it is kept; reckoner: for what has to be assessed first; now: Time.
        def initialize(document, reckoner:, now:)
          @document = document
          @blank = Reckoner.blank(document)
          @reckoner = reckoner
          @now = now
        end

        # Ending, media type and text; raises NotFound where there is no such format.
        def written(format)
          case format
          when "section"
            ["section.svg", "image/svg+xml", MossyAnvil::Formats::SectionMap.new(@blank).svg]
          when "sheet"
            ["pdf", "application/pdf", Prints::SurveySheet.new(@blank, @reckoner.assess(@document), @now).pdf]
          when "blank"
            ["anvil.json", BLANK_TYPE, MossyAnvil::Formats::BlankFile.write(@document)]
          when "csv"
            ["csv", "text/csv", MossyAnvil::Formats::SurveyCsv.text(@document)]
          when "svg"
            ["svg", "image/svg+xml", MossyAnvil::Formats::SkinMap.new(@blank).svg]
          else
            @blank.form && of_form(format) or
              raise NotFound, Problems.text("refused.this_blank_is_not_written_as", kind: format[0, 20].inspect)
          end
        end

        private

        def of_form(format)
          case format
          when "template"
            ["template.pdf", "application/pdf", Prints::TemplateSheet.new(@blank, @now).pdf]
          when "template_svg"
            ["template.svg", "image/svg+xml", MossyAnvil::Formats::FormTemplate.new(@blank).svg]
          when "stl"
            ["stl", "model/stl", MossyAnvil::Formats::FormMesh.new(@blank).stl]
          end
        end
      end
    end
  end
end
