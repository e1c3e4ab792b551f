# frozen_string_literal: true

module MossyAnvil
  module Model
    # A form and its centres moved so, in the words of a blank file.
    class PlacementMove
      # blank: as surveyed, with a form; move: what of Placement's changes, symbol-keyed. Raises InvalidInput under
      # `at`.
      def initialize(blank, move, at: "")
        raise InvalidInput.at(at, Fault.t("has_nothing_to_move"), Fault.t("a_form_in_the_blank")) unless blank.form

        @placement = Placement.present.with(**move)
        @form = @placement.form(blank.form)
        @centres = @placement.centres(blank.centres)
        check(blank, at)
      end

      # { form:, centres: } as in a blank file; centres nil on the survey's own axis.
      def to_h
        {
          form: PlacementMove.tidy(@form.to_document),
          centres:
            @centres.as_surveyed? ? nil : PlacementMove.tidy({ head_mm: @centres.head_mm, tail_mm: @centres.tail_mm })
        }
      end

      # Hundredths of a mm are as fine as anyone marks.
      def self.tidy(node)
        case node
        when Hash
          node.transform_values { |value| tidy(value) }
        when Array
          node.map { |value| tidy(value) }
        when Float
          node.round(2)
        else
          node
        end
      end

      private

      def check(blank, at)
        length = @centres.length_mm(blank.shape)
        low, high = @form.z_span_mm
        past = [-low, high - length].max
        faults = []
        if past > 0.005
          faults << Fault.new(
            path: at,
            problem: Fault.t("takes_the_form_mm_past_the_end", past: past.round(1)),
            allowed: Fault.t("a_place_within_its_mm", length: length.round(1))
          )
        end
        unless @centres.on_wood?(blank.shape)
          faults << Fault.new(
            path: at,
            problem: Fault.t("takes_a_centre_off_the_wood"),
            allowed: Fault.t("both_on_the_wood_of_their_face")
          )
        end
        raise InvalidInput, faults if faults.any?
      end
    end
  end
end
