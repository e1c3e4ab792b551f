# frozen_string_literal: true

module MossyAnvil
  module Model
    # A line that somebody drew, told in mm along the axis and off it, made into the points of a profile.
    module ProfileLine
      NEAR_MM = 0.05
      # Straight up or down is a step: so far on along the axis.
      STEP_MM = 0.02

      module_function

      # line: [[along_mm, off_mm], ...], either way round and on either side of the axis. from_z_mm: where the profile
      # begins.
      # [[z_mm, r_mm], ...] with z rising. Raises InvalidInput at `at` where it crosses the axis or turns back: a
      # profile has one radius at every place.
      def points(line, from_z_mm:, at:)
        least, most = line.map(&:last).minmax
        refuse(at, Fault.t("crosses_the_axis"), Fault.t("all_of_it_on_one_side")) if most > NEAR_MM && least < -NEAR_MM
        line = line.reverse if line.first[0] > line.last[0]
        check_goes_on(line, at)
        start = line.first[0]
        stepped(line).map { |along, off| [from_z_mm + along - start, off.abs] }
      end

      def check_goes_on(line, at)
        (back,), = line.each_cons(2).find { |(before, _), (here, _)| here < before - NEAR_MM }
        return unless back

        problem = Fault.t("turns_back_at_mm_along", back: back.round(1))
        refuse(at, problem, Fault.t("a_curve_that_goes_on_along_the"))
      end

      # Of places straight above each other the later a hair on, and none twice.
      def stepped(line)
        line.each_with_object([]) do |(along, off), kept|
          next if kept.any? && (along - kept.last[0]).abs < 1e-9 && (off - kept.last[1]).abs < 1e-9

          kept << [kept.empty? ? along : [along, kept.last[0] + STEP_MM].max, off]
        end
      end

      def refuse(at, problem, allowed) = raise InvalidInput.at(at, problem, allowed)
    end
  end
end
