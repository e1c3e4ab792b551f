# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # What instruments say: now, live, and over a time.
      module Instruments
        # So often what is new is sent to whoever watches, and so many may.
        TELL_S = 0.03
        MOST_WATCHING = 24
        # A screen that has gone unnoticed is found out by then; whoever is there asks again by itself.
        LONGEST_S = 300
        # Points of a curve on a screen.
        MOST_SPANS = 400
        LONGEST_RUN_S = 14 * 86_400

        def self.registered(app)
          app.set(:live_readings) { @live_readings ||= Services::LiveReadings.new(Store::Instruments.new(db)) }
          app.set(:watching) { @watching ||= Thread::SizedQueue.new(MOST_WATCHING) }
          app.get("/api/instruments") { answer({ instruments: settings.live_readings.list }) }
          app.get("/api/instruments/live") { Instruments.live(self) }
          past(app)
        end

        # What was heard, and what was read over a time.
        def self.past(app)
          app.get("/api/instruments/sound") do
            content_type "audio/wav"
            instruments.sound("microphone")
          end
          app.get("/api/instruments/run") do
            from, to = %w[from to].map { |name| Instruments.time(name, params[name]) }
            Instruments.check_order(from, to)
            answer(Instruments.curves(instruments.run(from, to, MOST_SPANS)))
          end
        end

        # Server-sent events: all readings whenever they have changed, and every second.
        def self.live(app)
          app.content_type "text/event-stream"
          place_taken(app)
          app.stream { |out| tell(app, out) }
        end

        def self.place_taken(app)
          app.settings.watching.push(true, true)
        rescue ThreadError
          raise Busy, Problems.text("refused.too_many_watch", most: MOST_WATCHING)
        end

        def self.tell(app, out)
          said, beats, until_s = nil, 0, now_s + LONGEST_S
          loop do
            list = JSON.generate(app.settings.live_readings.list)
            if list != said || beats >= 1 / TELL_S
              out << "data: #{list}\n\n"
              said, beats = list, 0
            end
            beats += 1
            break if now_s > until_s || closing?(app)

            sleep TELL_S
          end
        ensure
          app.settings.watching.pop
        end

        # Is the server about to stop? Without one that could wait for anybody, once is enough.
        def self.closing?(app)
          server = app.env["puma.socket"] && ::Puma::Server.current
          server.nil? || server.shutting_down?
        end

        def self.now_s = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

        # One curve of each probe.
        def self.curves(spans)
          curves = spans.group_by { |span| span.values_at(:key, :spot) }
          list =
            curves.map do |(key, spot), points|
              {
                key: key,
                spot: spot,
                unit: MossyAnvil::Model::Instrument.of(key).unit,
                points: points.map { |one| { at: one[:begins_at].iso8601, **one.slice(:least, :most, :mean) } }
              }
            end
          { curves: list }
        end

        def self.time(name, given)
          Time.iso8601(given.to_s)
        rescue ArgumentError
          refuse("/#{name}", given, MossyAnvil::Fault.t("a_time_there_is"))
        end

        def self.check_order(from, to)
          return if (to - from).between?(0, LONGEST_RUN_S)

          refuse("/to", to.iso8601, MossyAnvil::Fault.t("up_to_two_weeks_later"))
        end

        def self.refuse(path, given, allowed)
          problem = MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(given))
          raise MossyAnvil::InvalidInput.at(path, problem, allowed)
        end
        private_class_method :place_taken, :tell, :closing?, :now_s, :refuse
      end
    end
  end
end
