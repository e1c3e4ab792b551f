# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Word of what changes, as server-sent events, and who is at what.
      module Live
        # Then whoever listens proves anew that it may.
        LONGEST_S = 600

        def self.registered(app)
          app.set(:feed) { @feed ||= Server::Live::Feed.new(db) }
          changes(app)
          app.post("/api/here") do
            body = body_as("Presence")
            presences.note(*body.values_at("tab", "turn", "blank_id"), asking.name, now)
            answer(others: body["blank_id"] ? presences.others(body["tab"], body["blank_id"]) : [])
          end
        end

        def self.changes(app)
          app.get("/api/changes") do
            raise Busy, Problems.text("refused.too_many_listen", most: Server::Live::Feed::MOST) if settings.feed.full?

            content_type "text/event-stream"
            feed = settings.feed
            # The web server hands the socket over, so that whoever waits for word takes up none of its threads.
            headers "rack.hijack" => ->(socket) { feed.tell(socket, longest_s: LONGEST_S) }
            # Not a list, whose length would be told.
            body [].each
          end
        end
        private_class_method :changes
      end
    end
  end
end
