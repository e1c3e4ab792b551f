# frozen_string_literal: true

require "numo/pocketfft"

module MossyAnvil
  module Turn
    # A tap on the piece, heard as a damped tone: how high, and how fast it fades.
    # A(t) = A0 exp(-t / tau) at frequency f, Q = pi f tau. The strongest tone counts: found in the spectrum, then by
    # the f and tau whose tone explains most of what was heard (least squares).
    class Tap
      # What is listened for, Hz, and for how long from the blow, s.
      LOW_HZ, HIGH_HZ = 60.0, 8000.0
      HEARD_S = 0.5
      # A blow is where the sound first comes to this share of its loudest.
      ONSET_SHARE = 0.5
      # The tone stands out of the noise by so much, or nothing was heard.
      LEAST_OVER_NOISE = 4.0
      DECAYS_S = Numo::DFloat.linspace(Math.log(1e-3), Math.log(1.0), 36)
      GOLDEN = (Math.sqrt(5) - 1) / 2

      # samples: of a sound, numbers; rate_hz: of them a second. Raises InvalidInput under `at`.
      def initialize(samples, rate_hz, at: "")
        @at = at
        @rate_hz = rate_hz.to_f
        heard = Numo::DFloat.cast(samples)
        refuse(Fault.t("is_shorter_than_a_tap"), Fault.t("a_tenth_of_a_second_at_least")) if heard.size < @rate_hz / 10
        @heard = from_blow(heard - heard.mean)
      end

      # s of the fading tone in which it falls to 1/e, from f (Hz) and Q.
      def self.decay_s(frequency_hz, quality) = quality / (Math::PI * frequency_hz)

      def frequency_hz = tone[0]
      def decay_ms = tone[1] * 1000
      def to_h = { frequency_hz: frequency_hz, decay_ms: decay_ms }

      # Places of a ring of taps, in their order, that fade too fast: decays_ms of one striker at one height.
      def self.dull(decays_ms)
        usual = median(decays_ms)
        decays_ms.each_index.select { |place| decays_ms[place] < Table["tools"]["tap"]["dull_share"] * usual }
      end

      # Is the piece another one than when it gave that tone: a new crack, or water lost?
      def self.moved?(before_hz, now_hz) = (now_hz / before_hz - 1).abs > Table["tools"]["tap"]["tone_moved_share"]

      def self.median(list) = list.sort.then { |sorted| (sorted[(list.size - 1) / 2] + sorted[list.size / 2]) / 2.0 }

      private

      def from_blow(sound)
        loudest = sound.abs.max
        refuse(Fault.t("is_silent"), Fault.t("a_tap_that_can_be_heard")) if loudest.zero?
        first = sound.abs.ge(loudest * ONSET_SHARE).where[0]
        sound[first...[first + (HEARD_S * @rate_hz).round, sound.size].min]
      end

      # [Hz, s].
      def tone
        @tone ||=
          begin
            middle = strongest_hz
            folded, step_s = folded_down(middle)
            tau, off_hz = fit(folded, step_s)
            [middle + off_hz, tau]
          end
      end

      # The peak of the spectrum.
      def strongest_hz
        size = 2**(Math.log2(@heard.size).ceil + 1)
        power = power(size)
        low, high = [LOW_HZ, HIGH_HZ].map { |hz| (hz * size / @rate_hz).round.clamp(1, power.size - 2) }
        heard = power[low..high]
        if heard.max < LEAST_OVER_NOISE * heard.mean
          refuse(Fault.t("has_no_tone_in_it"), Fault.t("a_tap_that_rings_out_of_the"))
        end
        (heard.max_index + low) * @rate_hz / size
      end

      # Of each tone, the sound filled up with silence to that many samples.
      def power(size)
        line = Numo::DFloat.zeros(size)
        line[0...@heard.size] = @heard
        Numo::Pocketfft.rfft(line).abs**2
      end

      # The sound about that tone, turned down to none: one complex number a period, and s between them.
      def folded_down(middle_hz)
        period = [(@rate_hz / middle_hz).round, 1].max
        count = @heard.size / period
        turned =
          Numo::DComplex.cast(@heard) * unit(Numo::DFloat.new(@heard.size).seq * (-2 * Math::PI * middle_hz / @rate_hz))
        [turned[0...(count * period)].reshape(count, period).mean(axis: 1), period / @rate_hz]
      end

      # [tau in s, Hz off the middle] that explain most.
      def fit(folded, step_s)
        times = Numo::DFloat.new(folded.size).seq * step_s
        log_tau = DECAYS_S.to_a.max_by { |one| explained(folded, times, Math.exp(one), 0.0) }
        off = 0.0
        4.times do
          width = 0.5 / Math.exp(log_tau)
          off = best(off - width, off + width) { |hz| explained(folded, times, Math.exp(log_tau), hz) }
          log_tau = best(log_tau - 0.5, log_tau + 0.5) { |one| explained(folded, times, Math.exp(one), off) }
        end
        [Math.exp(log_tau), off]
      end

      # Energy of what was heard that lies along such a tone.
      def explained(folded, times, tau_s, off_hz)
        fading = Numo::NMath.exp(times / -tau_s)
        along = (folded * unit(times * (-2 * Math::PI * off_hz)) * fading).sum
        along.abs2 / (fading**2).sum
      end

      def unit(angles) = Numo::NMath.cos(angles) + (Numo::NMath.sin(angles) * Complex::I)

      # Where a hill between two ends is highest: golden section.
      def best(low, high, &height)
        28.times do
          inner, outer = high - (GOLDEN * (high - low)), low + (GOLDEN * (high - low))
          height.call(inner) > height.call(outer) ? high = outer : low = inner
        end
        (low + high) / 2
      end

      def refuse(problem, allowed) = raise InvalidInput.at("#{@at}/sound", problem, allowed)
    end
  end
end
