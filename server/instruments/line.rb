# frozen_string_literal: true

module MossyAnvil
  module Server
    module Instruments
      # One line that a device sends: JSON, as docs/instruments.md says.
      class Line
        # A second and a half of sound and what is round it.
        MOST_BYTES = 250_000
        # What may be said beside the value: how deep pins are in, where a wall is gauged, whether a scale has settled.
        NUMBERS, FLAGS = %w[depth_mm clock_deg z_mm].freeze, %w[settled].freeze
        KEYS = ["instrument", "value", "at", "spot", "wav", *NUMBERS, *FLAGS].freeze

        attr_reader :instrument, :value, :spot, :sound, :about

        # text: as it came. Raises InvalidInput.
        def initialize(text)
          @given = MossyAnvil::Formats::JsonText.parse(text, most_bytes: MOST_BYTES)
          refuse("", "is", "a_group", given: MossyAnvil::Fault.shown(@given)) unless @given.is_a?(Hash)
          unknown = (@given.keys - KEYS).first
          refuse("/#{unknown}", "is_not_a_known_key", "leave_it_out_or_check_it") if unknown
          @instrument = MossyAnvil::Model::Instrument.of(@given["instrument"])
          @value, @spot = @given["value"], @given.fetch("spot", @instrument.spots.first)
          @about = @given.slice(*NUMBERS, *FLAGS).each { |name, one| check(name, one) }
          @sound = heard if @instrument.sound?
        end

        # Time it was measured at: what it says, else the moment it came.
        def at(now)
          given = @given["at"] or return now
          Time.iso8601(given.to_s)
        rescue ArgumentError
          refuse("/at", "is", "a_time_there_is", given: MossyAnvil::Fault.shown(given))
        end

        private

        def check(name, given)
          flag = FLAGS.include?(name)
          return if flag ? [true, false].include?(given) : given.is_a?(Numeric)

          allowed = flag ? "true_or_false" : "a_number"
          refuse("/#{name}", "is", allowed, given: MossyAnvil::Fault.shown(given))
        end

        # Bytes of a WAV file that can be read.
        def heard
          bytes = @given["wav"].to_s.unpack1("m0")
          MossyAnvil::Formats::WaveFile.new(bytes, at: "/wav")
          bytes
        rescue ArgumentError
          refuse("/wav", "is", "base64_text", given: MossyAnvil::Fault.shown(@given["wav"]))
        end

        def refuse(path, problem, allowed, **values)
          fault =
            MossyAnvil::Fault.new(
              path: path,
              problem: MossyAnvil::Fault.t(problem, **values),
              allowed: MossyAnvil::Fault.t(allowed)
            )
          raise MossyAnvil::InvalidInput, [fault]
        end
      end
    end
  end
end
