# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Blank files and the whole shop as an archive, out and in.
      module Files
        ARCHIVE_TYPE = "application/zip"

        def self.registered(app)
          app.get("/api/blanks/:id/export") do
            next Files.parcel(self, blank_id) if params["as"] == "parcel"

            document = blanks.find(blank_id)[:document]
            found = calculate("export", bytes: "", kept: document, format: params["as"] || "blank")
            hand_over("#{Services::Archive.stem(document)}.#{found.about["ending"]}", found.type, found.bytes)
          end
          blank_in(app)
          archive_out(app)
          archive_in(app)
        end

        def self.blank_in(app)
          app.post("/api/blanks/import") do
            found =
              calculate_to_keep(
                "imported",
                types: [Services::BlankExport::BLANK_TYPE, Calculation::Calculations::JSON_TYPE]
              ).data
            answer(blanks.take_in(*found.values_at("document", "brief"), next_number: params["number"] == "next"), 201)
          end
        end

        def self.parcel(app, id)
          app.hand_over_written(ARCHIVE_TYPE) do |path|
            "#{
              Services::Archive.stem(Services::ArchiveWriter.new(app.settings.db).write_parcel(path, id)[:document])
            }.zip"
          end
        end

        def self.archive_out(app)
          app.get("/api/shop/archive") do
            hand_over_written(ARCHIVE_TYPE) do |path|
              Services::ArchiveWriter.new(settings.db).write(path)
              "#{Services::Archive.slug(shops.current[:name])}#{"-too-large-to-import" unless Services::Archive.fits?(path)}.zip"
            end
          end
        end

        def self.archive_in(app)
          app.post("/api/shop/archive") do
            problem(Problems.wrong_type([ARCHIVE_TYPE])) unless request.media_type == ARCHIVE_TYPE
            id =
              ask_task(
                "import",
                { copies: params["differs"] == "copy", now: now.iso8601(6) },
                file: request.body,
                most_bytes: Services::Archive::MAX_BYTES
              )
            answer(Tasks.plain(tasks.find(id)), 202)
          end
        end
      end
    end
  end
end
