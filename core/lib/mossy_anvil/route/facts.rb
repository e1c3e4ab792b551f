# frozen_string_literal: true

module MossyAnvil
  module Route
    # What is known of a blank before its route is laid out. Calculated by the reports above; the route only asks.
    #
    # blank: as surveyed, with a form. assessed: its assessment, plain data. context: MendContext as it stands now.
    # rough: { form:, wall_mm: } of the form to rough out to, nil where there is none to speak of.
    # mounts: { step of holding => { key:, limit_rpm: } }. skin_dm2, grits, sanding_rpm: of the finished piece.
    # limits: (blank, stage) -> { limit_rpm:, unsafe:, mass_g:, volume_mm3: }, its worst case counted in.
    Facts =
      Struct.new(
        :blank,
        :assessed,
        :context,
        :rough,
        :mounts,
        :skin_dm2,
        :grits,
        :sanding_rpm,
        :limits,
        keyword_init: true
      ) do
        def form = blank.form
        def done = blank.done_steps
        def water = context.water
        def moisture_pct = context.moisture_pct
        def wooden? = context.wooden?
        def emc_pct = context.climate.emc_pct
        # Moisture at which it moves no more than it will in this room.
        def dry_pct = emc_pct + Table["route"]["dry_over_emc_pct"]
      end
  end
end
