# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Where in the finished piece a defect lies, as a turner names it: under the future tenon, in the floor, in the
    # wall, at the rim.
    class DefectLocation
      # A tenon of least 0.35 of the piece's diameter, so long, rooted so deep in the foot: what bears the load of
      # holding it.
      TENON_SHARE, TENON_MM, ROOT_MM = 0.35, 8.0, 5.0
      RIM_MM = 12.0
      # How far above the floor the hollow's own radius is taken.
      ABOVE_FLOOR = 0.25

      def initialize(defect, share, blank)
        @defect = defect
        @share = share
        @form = blank.form
      end

      # List of :tenon, :floor, :wall, :rim; empty without a form, or where nothing of it stays.
      def names
        return [] if @form.nil? || @share.removed?

        [(:tenon if tenon?), (:floor if floor?), (:wall if @form.hollow? && !floor?), (:rim if rim?)].compact
      end

      # Does it run where the tenon will be, or its root? Only what splits counts: a path, or an opening.
      def tenon?
        return @tenon if defined?(@tenon)

        @tenon =
          !@form.nil? && !@form.open_both_ends? && (@defect.path? || @defect.open?) &&
            @share.in_cylinder?(tenon_radius_mm, *foot)
      end

      # Does it lie under the hollow, in the floor?
      def floor?
        return @floor if defined?(@floor)

        @floor = !@form.nil? && @form.hollow? && !@form.open_both_ends? && under_the_hollow?
      end

      # Within a finger's width of the rim?
      def rim?
        return false unless @form&.hollow?

        rim_z = @form.opens == "tail" ? @form.z_span_mm[1] : @form.z_span_mm[0]
        @share.in_cylinder?(@form.outside.largest_mm, rim_z - RIM_MM, rim_z + RIM_MM)
      end

      private

      def under_the_hollow?
        radius_mm, z_mm = @share.middle_mm
        low, high = [@form.floor_z_mm, foot.sum / 2].minmax
        radius_mm <= floor_radius_mm &&
          ((@defect.path? && !@defect.side?) || z_mm.between?(low - ROOT_MM, high + ROOT_MM))
      end

      # [from, to] of z that the tenon and its root take, at the closed end.
      def foot
        low, high = @form.z_span_mm
        @form.opens == "tail" ? [low - TENON_MM, low + ROOT_MM] : [high - ROOT_MM, high + TENON_MM]
      end

      def tenon_radius_mm
        [
          TENON_SHARE * @form.outside.largest_mm,
          @form.outside.radius_mm(@form.opens == "tail" ? @form.z_span_mm[0] : @form.z_span_mm[1])
        ].min
      end

      def floor_radius_mm
        above =
          (
            if @form.opens == "tail"
              @form.floor_z_mm + (ABOVE_FLOOR * @form.wall_depth_mm)
            else
              @form.floor_z_mm - (ABOVE_FLOOR * @form.wall_depth_mm)
            end
          )
        @form.inside.radius_mm(above)
      end
    end
  end
end
