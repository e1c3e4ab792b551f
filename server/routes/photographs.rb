# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Photographs of a blank: sent, listed, shown, spoken of.
      module Photographs
        MOST_BYTES = 20_000_000
        TYPES = %w[image/jpeg image/png].freeze

        def self.registered(app)
          app.get("/api/blanks/:id/photographs") { answer(photographs: photographs.of(blank_id)) }
          taken_in(app)
          app.put("/api/blanks/:id/photographs/:photograph") do
            answer(photographs.change(blank_id, photograph_id, body_as("PhotographAbout")))
          end
          app.get("/api/blanks/:id/photographs/:photograph/image") do
            bytes = photographs.bytes(blank_id, photograph_id)
            content_type "image/jpeg"
            # What is at this address never changes.
            cache_control :private, :immutable, max_age: 31_536_000
            bytes
          end
        end

        def self.taken_in(app)
          app.post("/api/blanks/:id/photographs") do
            about = settings.contract.check("PhotographAbout", { "view" => params["view"] || "other" })
            sent = calculate("photograph", types: TYPES, most_bytes: MOST_BYTES)
            picture = Services::KeptPicture.new(sent.bytes, *sent.about.values_at("width_px", "height_px"))
            answer(photographs.add(blank_id, picture, about), 201)
          end
        end
        private_class_method :taken_in
      end
    end
  end
end
