# frozen_string_literal: true

module MossyAnvil
  module Server
    module Instruments
      # What every instrument said last, and what follows from it. For one thread at a time.
      class Readings
        def initialize
          @shown = {}
          @last = {}
          @changed = {}
          @spans = Spans.new
          @watch = MossyAnvil::Turn::ShakeWatch.new
        end

        # line: Line; now: Time it came at. Raises InvalidInput where it cannot be believed at all.
        def take(line, now)
          place = [line.instrument.key, line.spot]
          reading =
            line.instrument.read(
              line.value,
              at_s: line.at(now).to_f,
              now_s: now.to_f,
              spot: line.spot,
              shown: @shown[place],
              last: @last[place]
            )
          @last[place] = reading
          believe(place, reading) unless reading.doubtful
          @changed[place] = row(reading, line, now)
        end

        # Rows that are to be kept: latest and ended spans. all: with the spans that are not over yet.
        def unkept(all: false) = [@changed.values, @spans.ended(all: all)]

        def kept(latest, spans)
          latest.each { |row| @changed.delete_if { |_, changed| changed.equal?(row) } }
          @spans.written(spans)
        end

        private

        def believe(place, reading)
          @shown[place] = reading
          @spans.add(reading) if reading.value
        end

        def row(reading, line, now)
          {
            key: reading.key,
            spot: reading.spot,
            value: reading.value,
            about: line.about,
            doubtful: reading.doubtful,
            alarm: (alarm(reading) if reading.key == "shake" && !reading.doubtful),
            sound: line.sound,
            measured_at: Time.at(reading.at_s).utc,
            received_at: now
          }
        end

        # What shaking says beside the speed it was measured at; nothing where no tachometer says that.
        def alarm(shake)
          speed = @shown[["tachometer", ""]]
          known = speed && !MossyAnvil::Model::Instrument.lost?(shake.at_s - speed.at_s)
          grows = known ? @watch.grows?(shake.at_s, speed.value, shake.value) : @watch.grown?
          "shake_grows" if grows
        end
      end
    end
  end
end
