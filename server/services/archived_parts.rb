# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What an archive has beside the document of one blank: its journal, open card and photographs.
      class ArchivedParts
        # reader: ArchiveReader; name: the blank's in the archive.
        def initialize(reader, name)
          @reader = reader
          @name = name
        end

        # By this all that belongs to the blank is called.
        def stem = @name.delete_prefix("blanks/").delete_suffix(".anvil.json")
        # Names of the parts of its journal.
        def journals = @reader.journals(stem)
        # Its open card, nil where it has none.
        def card = @reader["cards/#{stem}.json"]

        # Reads what goes with a blank, so that what is wrong with it is known before anything is kept.
        def check
          journals.each { |part| check_times(part) }
          opened = card
          @reader.under("cards/#{stem}.json") { check_card(opened, @reader[@name]) } if opened
          pictures do |about, _|
            time = about["taken_at"]
            unless time.nil? || MossyAnvil::Formats::Days.time?(time)
              refuse(
                "/photographs/#{stem}.json/photographs",
                MossyAnvil::Fault.t("has_a_picture_taken_at", time: time),
                MossyAnvil::Fault.t("a_time_there_is")
              )
            end
          end
        end

        # Yields what is said of each picture of it, and the Picture.
        def pictures
          (@reader["photographs/#{stem}.json"]&.fetch("photographs") || []).each do |about|
            file = "photographs/#{stem}/#{about["sha256"]}.jpg"
            yield about, @reader[file] || lacks(file)
          end
        end

        private

        def check_times(part)
          @reader[part]["entries"].each_with_index do |entry, index|
            next if MossyAnvil::Formats::Days.time?(entry["logged_at"])
            refuse(
              "/#{part}/entries/#{index}/logged_at",
              MossyAnvil::Fault.t("is", given: entry["logged_at"]),
              MossyAnvil::Fault.t("a_time_there_is")
            )
          end
        end

        # A card is of its blank: of the same number, name or shape, however it was changed since.
        def check_card(card, document)
          return if %w[number name shape].any? { |key| document[key] && document[key] == card["document"][key] }

          refuse(
            "/document",
            MossyAnvil::Fault.t("is_of_another_blank", given: MossyAnvil::Fault.shown(card["document"]["name"])),
            MossyAnvil::Fault.t("the_blank_beside_it")
          )
        end

        def lacks(file) =
          refuse(
            "/#{file}",
            MossyAnvil::Fault.t("is_not_in_the_archive"),
            MossyAnvil::Fault.t("the_picture_that_json_speaks_of", stem: stem)
          )
        def refuse(path, problem, allowed) = raise MossyAnvil::InvalidInput.at(path, problem, allowed)
      end
    end
  end
end
