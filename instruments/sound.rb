# frozen_string_literal: true

module Instruments
  # What a microphone hears when a piece is tapped.
  module Sound
    RATE_HZ = 44_100
    LENGTH_S = 0.6
    # Silence before the tap, and noise in the room beside it.
    BEFORE_S = 0.05
    ROOM = 0.01

    module_function

    # A WAV file, 16 bits, one channel: a tone that dies away with τ = Q / (π f). random: Random.
    def tap(tone_hz, quality, random)
      turns = 2 * Math::PI * tone_hz
      decay_s = 2 * quality / turns
      samples =
        times_s.map do |since_s|
          tone = since_s.negative? ? 0 : 0.7 * Math.exp(-since_s / decay_s) * Math.sin(turns * since_s)
          ((tone + (ROOM * random.rand(-1.0..1.0))) * 32_767).round
        end
      wave(samples.pack("s<*"))
    end

    # Of each sample, since the tap.
    def times_s = Array.new((RATE_HZ * LENGTH_S).round) { |index| (index / RATE_HZ.to_f) - BEFORE_S }

    def wave(bytes)
      head = ["RIFF", 36 + bytes.bytesize, "WAVEfmt ", 16, 1, 1, RATE_HZ, 2 * RATE_HZ, 2, 16, "data", bytes.bytesize]
      head.pack("a4L<a8L<S<S<L<L<S<S<a4L<") + bytes
    end
  end
end
