# frozen_string_literal: true

module MossyAnvil
  module Server
    module Calculation
      # Those of Calculations' questions that are about a blank that is kept, or is about to be.
      module KeepingQuestions
        # A new blank and what the rack shows of it.
        def on_taken_in
          document = body_as("NewBlank")["document"]
          json(document: document, brief: brief(document, at: "/document"))
        end

        # The same of a blank file.
        def on_imported
          document = parsed
          json(document: document, brief: brief(document))
        end

        # given: what is kept of the blank. A save carries no readings, or the very ones that are kept.
        def on_saved
          body = body_as("SavedBlank")
          document = body["document"]
          refuse_changed_readings(document)
          json(
            version: body["version"],
            document: document,
            brief: brief(document.merge(@given["kept"].slice("readings")), at: "/document")
          )
        end

        # A reading, and what the rack shows of the blank with it.
        def on_read_of
          asked = body_as("NewReading")
          taken_at = Time.iso8601(@given["taken_at"]) - (asked["ago_s"] || 0)
          reading = asked["reading"].merge("taken_at" => taken_at.iso8601)
          whole = @given["kept"].merge("readings" => [*@given["kept"]["readings"], reading])
          json(reading: reading, brief: brief(whole, at: "/document"), key: asked["key"])
        end

        # A kept blank in one of its formats.
        def on_export
          ending, type, bytes =
            Services::BlankExport.new(@given["kept"], reckoner: reckoner, now: now).written(@given["format"])
          [{ status: 200, type: type, ending: ending }, bytes.b]
        end

        private

        # Without it where that takes too much: what is kept must not hang on what can be calculated of it. It is
        # checked all the same.
        def brief(document, at: "")
          return Services::Reckoner.blank(document, at: at) && Services::Brief::UNKNOWN if @given["unbriefed"]

          whole = reckoner.brief(document, at: at)
          whole.transform_values { |value| value.is_a?(Time) ? value.iso8601(6) : value }
        end

        def refuse_changed_readings(document)
          return unless document.key?("readings") && document["readings"] != (@given["kept"]["readings"] || [])

          raise MossyAnvil::InvalidInput.at(
                  "/document/readings",
                  MossyAnvil::Fault.t("differ_from_what_was_read"),
                  MossyAnvil::Fault.t("readings_are_added_one_by_one_and")
                )
        end
      end
    end
  end
end
