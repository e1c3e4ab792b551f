# frozen_string_literal: true

module MossyAnvil
  module Route
    # The piece between two steps of its route: how it is mended and how wet it is (context), how far it is turned
    # (stage), to which form, and the section that decides how fast it dries.
    Workpiece =
      Struct.new(:context, :stage, :form, :thickness_mm, keyword_init: true) do
        def self.before(context) =
          new(
            context: context,
            stage: :blank,
            form: context.blank.form,
            thickness_mm: context.blank.shape.least_extent_mm
          )

        # As it is put on the lathe: to that form.
        def blank = context.blank.form.equal?(form) ? context.blank : context.blank.with_form(form)
        def moisture_pct = context.wooden? ? context.moisture_pct : nil
        def defects = context.blank.defects
        def with(**changes) = self.class.new(**to_h, **changes)
      end
  end
end
