# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold of a form and of where it lies in a blank: the centres on the wood, the curves in order and within
    # it.
    class FormRules
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

      def fault(path, problem, allowed)
        @faults << Fault.new(path: path, problem: problem, allowed: allowed)
      end

      # Both on the wood of their face, and not so far askew that the ends would be no ends any more.
      def centres_fit?(centres, at)
        return true if centres.as_surveyed?

        tilt = centres.tilt_deg(@shape.length_mm)
        if !centres.on_wood?(@shape)
          fault(at, "lie off the wood", "both centres on the wood of their face, so that the axis runs through it")
        elsif tilt > Model::Centres::STEEPEST_DEG
          fault(at, "tilt the axis by #{tilt.round(1)} degrees", "at most #{Model::Centres::STEEPEST_DEG.round}")
        else
          return true
        end
        false
      end

      def check_form(form, length_mm, at)
        if form[:inside] && form[:follows]
          return fault("#{at}/follows", "stands beside an inside of its own points", "one or the other")
        end

        rising =
          %i[outside inside].map { |side| form[side].nil? || rises?(form[side], length_mm, "#{at}/#{side}") }.all?
        return unless rising

        check_follows(form, at) if form[:follows]
        check_inside(form, at) if form[:inside]
      end

      def check_follows(form, at)
        return if Model::Form.new(**form).hollow?

        fault("#{at}/follows", "leaves no hollow", "less wall or floor than the outside has room for")
      end

      def rises?(points, length_mm, path)
        points
          .each_cons(2)
          .with_index(1) do |(before, here), index|
            next if here[0] > before[0]

            fault("#{path}/#{index}", "z is #{here[0]}", "more than the point before, #{before[0]}")
            return false
          end
        last = points.size - 1
        return false unless within?(points[last][0], length_mm, "#{path}/#{last}")

        return true if points.any? { |_, radius| radius.positive? }

        fault(path, "has no radius anywhere", "at least one point off the axis")
        false
      end

      def within?(z_mm, length_mm, path)
        return true if z_mm <= length_mm + 1e-9

        fault(path, "is #{z_mm}", "within the blank, 0 to #{length_mm} mm from the head-end face")
        false
      end

      def check_inside(form, at)
        made = Model::Form.new(**form)
        low, high = made.z_span_mm
        rim_z, own_rim = made.opens == "tail" ? [high, made.inside.last_z_mm] : [low, made.inside.first_z_mm]
        index = made.opens == "tail" ? form[:inside].size - 1 : 0
        if (own_rim - rim_z).abs > SLACK_MM
          fault("#{at}/inside/#{index}", "ends at z #{own_rim}", "at the rim, z #{rim_z}, on the side that opens")
        end
        if made.inside.first_z_mm < low - 1e-9 || made.inside.last_z_mm > high + 1e-9
          fault("#{at}/inside", "goes past the outside at the closed end", "between z #{low} and #{high}")
        end
        crossing = made.inside.polyline.find { |z_mm, radius| radius >= made.outside.radius_mm(z_mm) }
        return unless crossing

        fault(
          "#{at}/inside",
          "meets the outside at z #{crossing[0].round(1)}",
          "less than the outside radius, #{made.outside.radius_mm(crossing[0]).round(1)} mm there"
        )
      end
    end
  end
end
