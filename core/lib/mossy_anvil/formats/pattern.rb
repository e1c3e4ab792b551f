# frozen_string_literal: true

module MossyAnvil
  module Formats
    # A form kept apart from any blank, to be laid into others: its curves from z 0 on, as a blank file has a form but
    # for what the piece is for.
    class Pattern
      # It is made smaller in steps of this where the blank has no room for it as it is.
      STEP = 0.001
      SCALES = (0.05..20)

      attr_reader :form

      # form: as in a blank file, symbol-keyed, passed by the schema. Raises InvalidInput under `at` and "/form" where
      # its curves cannot be.
      def initialize(form, at: "")
        low = form[:outside].first[0]
        @form =
          Model::Form.new(
            **form.except(:use),
            outside: moved(form[:outside], -low),
            **(form[:inside] ? { inside: moved(form[:inside], -low) } : {})
          )
        wide = Model::Disc.new(diameter_mm: 10_000, length_mm: [form[:outside].last[0], STEP].max)
        faults = FormRules.new(wide, { form: form }, at).faults
        raise InvalidInput, faults if faults.any?
      end

      # As it is kept, symbol-keyed.
      def to_document = Model::PlacementMove.tidy(@form.to_document)
      def height_mm = @form.length_mm
      def diameter_mm = 2 * @form.outside.largest_mm

      # Laid into a blank (on its centres), in the middle of its length but with more wood at the foot of what is
      # hollow: { form: as in a blank file, scale: }.
      # scale: so many times as large; nil: as it is, or as large as the blank has room for. Raises InvalidInput at
      # "/scale" where it has none.
      def laid_in(blank, scale: nil)
        scale = scale ? checked(scale, blank.shape) : [1.0, room(blank.shape)].min
        form = Model::Placement.present.with(scale: scale, slide_mm: slide_mm(blank.shape.length_mm, scale)).form(@form)
        {
          form: Model::PlacementMove.tidy(form.to_document).merge(blank.form&.use ? { use: blank.form.use } : {}),
          scale: scale
        }
      end

      private

      def moved(points, by_mm) = points.map { |z_mm, r_mm| [z_mm + by_mm, r_mm] }

      # The largest scale at which a round piece of it lies in the wood.
      def room(shape) = ([shape.length_mm / height_mm, 2 * shape.min_radius_mm / diameter_mm].min / STEP).floor * STEP

      def checked(scale, shape)
        longest = [shape.length_mm / height_mm, SCALES.end].min
        return scale.to_f if scale.between?(SCALES.begin, longest)

        allowed =
          Fault.t(
            "to_mm_of_blank",
            shortest: SCALES.begin,
            longest: longest.round(2),
            length_mm: shape.length_mm.round(1)
          )
        raise InvalidInput.at("/scale", Fault.t("is", given: Fault.shown(scale)), allowed)
      end

      # Made larger about its own middle, its foot goes where FormMaker puts one.
      def slide_mm(length_mm, scale)
        spare = length_mm - (height_mm * scale)
        share = @form.hollow? ? Model::FormMaker::FOOT_SHARE : 0.5
        head = spare * (@form.opens == "tail" ? share : 1 - share)
        head + (height_mm * scale / 2) - (height_mm / 2)
      end
    end
  end
end
