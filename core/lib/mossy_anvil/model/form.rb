# frozen_string_literal: true

module MossyAnvil
  module Model
    # What the blank is to become: an outside and, where it is hollow, an inside.
    class Form
      # outside, inside: [[z_mm, r_mm], ...] with z rising. opens: "tail" or "head". use: display, handled, food or wet,
      # or nil.
      # follows: { wall_mm:, floor_mm: } in place of an inside of its own points; where that leaves no hollow, it is
      # solid (see BlankRules).
      extend Record
      fields :kind, :opens, :outside, :curve, inside: nil, follows: nil, use: nil

      def initialize(**given)
        given = Form.complete(given)
        @kind, @use, @opens, @curve = given.values_at(:kind, :use, :opens, :curve)
        @follows = given[:follows].freeze
        @outside = Profile.new(given[:outside], curve: curve)
        inside = given[:inside]
        inside ||= OffsetProfile.new(@outside, opens: opens, **follows).points if follows
        # What follows has points so close that straight joins do.
        @inside = inside && Profile.new(inside, curve: follows ? "straight" : curve)
        freeze
      end

      # As in a blank file, symbol-keyed.
      def to_document
        {
          kind: kind,
          opens: opens,
          use: use,
          curve: curve,
          outside: outside.points,
          inside: follows ? nil : inside&.points,
          follows: follows
        }.compact
      end

      def hollow? = !inside.nil?
      def z_span_mm = [outside.first_z_mm, outside.last_z_mm]
      def length_mm = outside.last_z_mm - outside.first_z_mm

      # z of the floor inside, mm: the end of the inside that is away from the opening.
      def floor_z_mm = opens == "tail" ? inside.first_z_mm : inside.last_z_mm

      # Floor thickness on the axis, mm; nil where it is not hollow.
      def floor_mm
        return unless hollow?

        opens == "tail" ? inside.first_z_mm - outside.first_z_mm : outside.last_z_mm - inside.last_z_mm
      end

      # A hollow that starts at the other end as well has no floor: a ring or tube.
      def open_both_ends? = hollow? && floor_mm < 1e-6

      # Does the wood of a shape reach past the outside all round, so that what is finished is of the form alone?
      def wood_all_round?(shape) = shape.min_radius_mm >= outside.largest_mm

      # The same with a wall so many mm thicker, thinner below nothing; nil where no hollow is left of it. Where the
      # inside was drawn by itself its radii are so much less.
      def thicker(more_mm)
        return unless hollow?
        return walled(follows: { **follows, wall_mm: follows[:wall_mm] + more_mm }) if follows

        points = inside.points.filter_map { |z, r| [z, r - more_mm] if r - more_mm > OffsetProfile::LEAST_RADIUS_MM }
        points.size < 2 ? nil : walled(inside: points)
      end

      def wall_depth_mm = inside.last_z_mm - inside.first_z_mm

      private

      def walled(**inside)
        form = Form.new(**to_document.except(:inside, :follows), **inside)
        form.hollow? ? form : nil
      end
    end
  end
end
