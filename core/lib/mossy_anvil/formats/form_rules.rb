# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold of a form and of where it lies in a blank: the centres on the wood, the curves in order and within
    # it.
    class FormRules
      include FaultList

      # Measures of one thing may differ by so much.
      SLACK_MM = 0.5

      # shape: of the blank, about the survey's axis. laid: symbol-keyed, passed by the schema, with a form, centres,
      # both or neither. at: what it lies under.
      def initialize(shape, laid, at)
        @shape = shape
        @laid = laid
        @at = at
        @faults = []
      end

      # List of Fault, empty where all is well.
      def faults
        centres = Model::Centres.new(**(@laid[:centres] || {}))
        if centres_fit?(centres, "#{@at}/centres") && @laid[:form]
          check_form(@laid[:form], centres.length_mm(@shape), "#{@at}/form")
        end
        @faults
      end

      private

      # Both on the wood of their face, and not so far askew that the ends would be no ends any more.
      def centres_fit?(centres, at)
        return true if centres.as_surveyed?

        tilt = centres.tilt_deg(@shape.length_mm)
        if !centres.on_wood?(@shape)
          fault(at, Fault.t("lie_off_the_wood"), Fault.t("both_centres_on_the_wood_of_their"))
        elsif tilt > Model::Centres::STEEPEST_DEG
          fault(
            at,
            Fault.t("tilt_the_axis_by_degrees", tilt: tilt.round(1)),
            Fault.t("at_most", limit: Model::Centres::STEEPEST_DEG.round)
          )
        else
          return true
        end
        false
      end

      def check_form(form, length_mm, at)
        if form[:inside] && form[:follows]
          return fault("#{at}/follows", Fault.t("stands_beside_an_inside_of_its_own"), Fault.t("one_or_the_other"))
        end

        rising =
          %i[outside inside].map { |side| form[side].nil? || rises?(form[side], length_mm, "#{at}/#{side}") }.all?
        return unless rising

        check_follows(form, at) if form[:follows]
        check_inside(form, at) if form[:inside]
      end

      def check_follows(form, at)
        return if Model::Form.new(**form).hollow?

        fault("#{at}/follows", Fault.t("leaves_no_hollow"), Fault.t("less_wall_or_floor_than_the_outside"))
      end

      def rises?(points, length_mm, path)
        points
          .each_cons(2)
          .with_index(1) do |(before, here), index|
            next if here[0] > before[0]

            fault(
              "#{path}/#{index}",
              Fault.t("z_is", here: here[0]),
              Fault.t("more_than_the_point_before", before: before[0])
            )
            return false
          end
        last = points.size - 1
        return false unless within?(points[last][0], length_mm, "#{path}/#{last}")

        return true if points.any? { |_, radius| radius.positive? }

        fault(path, Fault.t("has_no_radius_anywhere"), Fault.t("at_least_one_point_off_the_axis"))
        false
      end

      def within?(z_mm, length_mm, path)
        return true if z_mm <= length_mm + 1e-9

        fault(path, Fault.t("is", given: z_mm), Fault.t("within_the_blank_to_mm_from_the", length_mm: length_mm))
        false
      end

      def check_inside(form, at)
        made = Model::Form.new(**form)
        check_rim(made, form[:inside].size, at)
        low, high = made.z_span_mm
        if made.inside.first_z_mm < low - 1e-9 || made.inside.last_z_mm > high + 1e-9
          fault(
            "#{at}/inside",
            Fault.t("goes_past_the_outside_at_the_closed"),
            Fault.t("between_z_and", low: low, high: high)
          )
        end
        check_wall(made, at)
      end

      def check_rim(made, points, at)
        at_tail = made.opens == "tail"
        rim_z = made.z_span_mm[at_tail ? 1 : 0]
        own_rim = at_tail ? made.inside.last_z_mm : made.inside.first_z_mm
        return if (own_rim - rim_z).abs <= SLACK_MM

        fault(
          "#{at}/inside/#{at_tail ? points - 1 : 0}",
          Fault.t("ends_at_z", own_rim: own_rim),
          Fault.t("at_the_rim_z_on_the_side", rim_z: rim_z)
        )
      end

      def check_wall(made, at)
        crossing, = made.inside.polyline.find { |z_mm, radius| radius >= made.outside.radius_mm(z_mm) }
        return unless crossing

        fault(
          "#{at}/inside",
          Fault.t("meets_the_outside_at_z", crossing: crossing.round(1)),
          Fault.t("less_than_the_outside_radius_mm_there", radius: made.outside.radius_mm(crossing).round(1))
        )
      end
    end
  end
end
