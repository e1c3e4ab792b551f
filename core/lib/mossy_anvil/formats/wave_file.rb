# frozen_string_literal: true

module MossyAnvil
  module Formats
    # A sound as WAV: RIFF, PCM, 16 bits, one channel.
    # Source: Multimedia Programming Interface and Data Specifications 1.0, chunks "fmt " and "data".
    class WaveFile
      PCM = 1
      # A minute at 48 kHz, and room for other chunks.
      MAX_BYTES = 6_000_000
      FULL = 32_768.0

      # Samples from -1 to 1, and how many of them a second.
      attr_reader :samples, :rate_hz

      # bytes: of the file. Raises InvalidInput at `at` where it is none, or of another kind.
      def initialize(bytes, at: "/sound")
        @at = at
        if bytes.bytesize > MAX_BYTES
          refuse(Fault.t("is_larger_than_a_minute_of_sound"), Fault.t("at_most_bytes", most: MAX_BYTES))
        end
        chunks = chunks_of(bytes.b)
        kind, channels, @rate_hz, _, _, bits =
          chunks.fetch("fmt ") { refuse(Fault.t("has_no_format")) }.unpack("S<S<L<L<S<S<")
        unless [kind, channels, bits] == [PCM, 1, 16] && rate_hz.between?(4000, 192_000)
          refuse(Fault.t("is_not_bit_mono_pcm"))
        end

        @samples = chunks.fetch("data") { refuse(Fault.t("has_no_sound_in_it")) }.unpack("s<*").map { |one| one / FULL }
      end

      private

      def chunks_of(bytes)
        refuse(Fault.t("is_not_a_wav_file")) unless bytes[0, 4] == "RIFF" && bytes[8, 4] == "WAVE"
        found, place = {}, 12
        while place + 8 <= bytes.bytesize
          name, size = bytes[place, 8].unpack("a4L<")
          found[name] ||= bytes[place + 8, size].to_s
          place += 8 + size + (size % 2)
        end
        found
      end

      def refuse(problem, allowed = Fault.t("a_wav_file_bit_pcm_one_channel")) =
        raise InvalidInput.at(@at, problem, allowed)
    end
  end
end
