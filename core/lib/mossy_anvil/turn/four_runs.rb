# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Balance found by shake alone: a run as it is, and one with a trial mass at 12, 4 and 8 o'clock, all at one speed.
    # Source: the four-run method, amplitudes in proportion to imbalance:
    # t2 = (a1^2 + a2^2 + a3^2) / 3 - a0^2, cos p = (a1^2 - a0^2 - t^2) / (2 a0 t),
    # sin p = (a2^2 - a3^2) / (2 sqrt(3) a0 t).
    # Four readings for three unknowns: from there the fit that is least off in all four, each by its own share.
    class FourRuns
      TRIAL_CLOCKS = [0.0, 120.0, 240.0].freeze
      STEPS = 12
      # amplitudes: four readings of one gauge, of any unit: bare, and with the mass at 12, 4 and 8 o'clock.
      # trial_g_mm: mass times radius of it. Raises InvalidInput under `at` where nothing can be told from them.
      def initialize(amplitudes, trial_g_mm, at: "")
        @at = at
        check(amplitudes, trial_g_mm)
        @bare, *@with = amplitudes.map(&:to_f)
        @trial_g_mm = trial_g_mm.to_f
        return if trial_squared.positive?

        refuse("/amplitudes", Fault.t("do_not_rise_with_the_trial_mass"), Fault.t("a_heavier_trial_mass_or_a_run"))
      end

      # Degrees clockwise from 12 of the heavy side.
      def heavy_clock_deg = @bare.zero? ? 0.0 : ClockAngle.of_point(fitted[0], fitted[1])

      # What is out of balance; so much on the opposite side puts it right.
      def imbalance_g_mm = @bare.zero? ? 0.0 : @trial_g_mm * Math.hypot(fitted[0], fitted[1]) / fitted[2]

      # Is the trial mass too heavy for the readings to be trusted?
      def too_heavy? = @bare.positive? && @with.any? { |one| one > Table["tools"]["four_runs"]["most_times"] * @bare }

      def to_h = { heavy_clock_deg: heavy_clock_deg, imbalance_g_mm: imbalance_g_mm, lighter_trial: too_heavy? }

      private

      # Shake of the piece to 3 and to 12 o'clock, and of the trial mass.
      def fitted
        @fitted ||= STEPS.times.inject(closed) { |at, _| improved(at) || (break at) }
      end

      # By the formulas above.
      def closed
        trial = Math.sqrt(trial_squared)
        across = (square(1) - square(2)) / (2 * Math.sqrt(3) * trial)
        up = (square(0) - (@bare**2) - trial_squared) / (2 * trial)
        scale = @bare / Math.hypot(across, up)
        scale.finite? ? [across * scale, up * scale, trial] : [0.0, @bare, trial]
      end

      # One step of least squares (Gauss and Newton); nil where it leads nowhere better.
      def improved(at)
        rows = readings.map { |reading, clock| row(at, reading, clock) }
        normal = Array.new(3) { |i| Array.new(3) { |j| rows.sum { |slope, _| slope[i] * slope[j] } } }
        right = Array.new(3) { |i| rows.sum { |slope, off| slope[i] * off } }
        step = solve(normal, right) or return
        found = at.zip(step).map(&:sum)
        found[2].positive? && misfit(found) < misfit(at) ? found : nil
      end

      # A run with its trial mass' place; nil where there is none.
      def readings = [[@bare, nil], *@with.zip(TRIAL_CLOCKS)].select { |reading, _| reading.positive? }

      # [slope by each unknown, what is left of the reading], as shares of it.
      def row((across, up, trial), reading, clock)
        sine, cosine =
          clock ? [Math.sin(clock * ClockAngle::RADIANS), Math.cos(clock * ClockAngle::RADIANS)] : [0.0, 0.0]
        x, y = across + (trial * sine), up + (trial * cosine)
        size = [Math.hypot(x, y), 1e-12].max
        [
          [x / size, y / size, ((x * sine) + (y * cosine)) / size].map { |one| one / reading },
          (reading - size) / reading
        ]
      end

      def misfit(at) = readings.sum { |reading, clock| row(at, reading, clock)[1]**2 }

      # Three equations by Cramer's rule; nil where they do not tell.
      def solve(matrix, right)
        whole = determinant(matrix)
        return if whole.abs < 1e-18

        Array.new(3) do |column|
          swapped = matrix.each_with_index.map { |line, at| line.dup.tap { |one| one[column] = right[at] } }
          determinant(swapped) / whole
        end
      end

      def determinant(((a, b, c), (d, e, f), (g, h, i))) =
        (a * ((e * i) - (f * h))) - (b * ((d * i) - (f * g))) + (c * ((d * h) - (e * g)))

      def square(run) = @with[run]**2
      def trial_squared = (@with.sum { |one| one**2 } / 3) - (@bare**2)

      def check(amplitudes, trial_g_mm)
        unless amplitudes.size == 4 && amplitudes.all? { |one| one.to_f.finite? && one >= 0 }
          refuse("/amplitudes", Fault.t("are_not_four_readings"), Fault.t("four_numbers_of_and_up_bare_at"))
        end
        return if trial_g_mm.to_f.finite? && trial_g_mm.positive?

        refuse("/trial_g_mm", Fault.t("is", given: Fault.shown(trial_g_mm)), Fault.t("more_than_mass_in_g_times_its"))
      end

      def refuse(path, problem, allowed) = raise InvalidInput.at("#{@at}#{path}", problem, allowed)
    end
  end
end
