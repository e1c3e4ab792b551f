# frozen_string_literal: true

module Loft
  module Routes
    # Blank files and the whole shop as an archive, out and in.
    module Files
      BLANK_TYPE = "application/vnd.mossy-anvil.blank+json"
      ARCHIVE_TYPE = "application/zip"

      def self.registered(app)
        app.get("/api/blanks/:id/export") do
          kept = blanks.find(blank_id)
          ending, type, text = Files.written(params["as"] || "blank", kept, self) || raise(NotFound, "this blank is not written as #{params['as'][0, 20].inspect}")
          hand_over("#{Archive.stem(kept[:document])}.#{ending}", type, text)
        end
        app.post("/api/blanks/import") do
          document = MossyAnvil::JsonText.parse(body_text([BLANK_TYPE, "application/json"], App::MAX_BODY_BYTES))
          document = document.merge("number" => blanks.next_number) if params["number"] == "next" && document.is_a?(Hash)
          answer(blanks.take_in(document, Brief.new(reckoner.assess(document), now: now).to_h), 201)
        end
        archives(app)
      end

      # Ending, media type and text of a blank in one of its formats; nil for one there is not. kept: as the store has it; app: for what has to be reckoned first.
      def self.written(format, kept, app)
        document = kept[:document]
        blank = MossyAnvil::BlankFile.from_data(document)
        case format
        when "section" then ["section.svg", "image/svg+xml", MossyAnvil::SectionMap.new(blank).svg]
        when "sheet" then ["pdf", "application/pdf", SurveySheet.new(blank, app.reckoner.assess(document), app.now).pdf]
        when "parcel" then ["zip", ARCHIVE_TYPE, Archive.new(app.settings.db, now: app.now).parcel(kept)]
        when "blank" then ["anvil.json", BLANK_TYPE, MossyAnvil::BlankFile.write(document)]
        when "csv" then ["csv", "text/csv", MossyAnvil::SurveyCsv.text(document)]
        when "svg" then ["svg", "image/svg+xml", MossyAnvil::SkinMap.new(blank).svg]
        else of_form(format, blank, app)
        end
      end

      # The same of its form; nil where it has none.
      def self.of_form(format, blank, app)
        return unless blank.form

        case format
        when "template" then ["template.pdf", "application/pdf", TemplateSheet.new(blank, app.now).pdf]
        when "template_svg" then ["template.svg", "image/svg+xml", MossyAnvil::FormTemplate.new(blank).svg]
        when "stl" then ["stl", "model/stl", MossyAnvil::FormMesh.new(blank).stl]
        end
      end

      def self.archives(app)
        app.get("/api/shop/archive") { hand_over("#{Archive.slug(shops.current[:name])}.zip", ARCHIVE_TYPE, Archive.new(settings.db, now: now).write) }
        app.post("/api/shop/archive") do
          bytes = body_text([ARCHIVE_TYPE], App::MAX_ARCHIVE_BYTES)
          answer(Archive.new(settings.db, now: now).take_in(bytes, copies: params["differs"] == "copy"))
        end
      end
    end
  end
end
