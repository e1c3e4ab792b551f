# frozen_string_literal: true

require "time"

module MossyAnvil
  module Route
    # What is known of a blank before its route is laid out. Calculated by the reports above; the route only asks.
    #
    # blank: as surveyed, with a form. assessed: its assessment, plain data. context: MendContext as it stands now.
    # rough: { form:, wall_mm: } of the form to rough out to, nil where there is none to speak of.
    # mounts: (piece) -> { step of holding => { key:, limit_rpm: } }, as it is mended and as wet as it is then.
    # cuts: (piece as the step leaves it, kind:, rough:, rpm:, min_per_l:) -> Report::StepCutting.
    # finish: (piece) -> Report::PieceFinish of it, as it is mended then.
    # limits: (blank, stage) -> { limit_rpm:, unsafe:, mass_g:, volume_mm3: }, its worst case counted in.
    Facts =
      Struct.new(:blank, :assessed, :context, :rough, :mounts, :cuts, :finish, :limits, keyword_init: true) do
        def form = blank.form
        def done = blank.done_steps
        def water = context.water
        def moisture_pct = context.moisture_pct
        def wooden? = context.wooden?
        def emc_pct = context.climate.emc_pct
        # Has its weight stood still for a week? Then it is as dry as its air makes it, whatever the curve says. Not
        # where it is still so wet that only a wrapping can hold it back.
        def settled?
          return false if moisture_pct > emc_pct + Table["route"]["settled_over_emc_pct"]

          *earlier, last = weighed
          before = earlier.reverse.find { |one| days_between(one, last) >= 7 }
          before && share_a_week(before, last).abs < Table["route"]["settled_share_a_week"] || false
        end

        # Its weights, oldest first.
        def weighed = blank.readings.select { |one| one[:kind] == "mass" }.sort_by { |one| Time.parse(one[:taken_at]) }

        def days_between(one, other) = (Time.parse(other[:taken_at]) - Time.parse(one[:taken_at])) / 86_400
        def share_a_week(one, other) = (1 - (other[:value] / one[:value].to_f)) * 7 / days_between(one, other)

        # Moisture at which it moves no more than it will in this room.
        def dry_pct = emc_pct + Table["route"]["dry_over_emc_pct"]
      end
  end
end
