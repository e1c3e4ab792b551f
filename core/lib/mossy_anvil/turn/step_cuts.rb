# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What each turning step takes away: side by side, the surface before and after.
    class StepCuts
      HEIGHTS = 36
      # A face or foot that has no wood beyond it is still cut over, so deep; a piece trued up again, so much.
      FACE_MM, RETRUE_MM = 2.0, 1.5

      # side: outside, inside, face (the mouth's end or, of a solid, either) or foot. heights, from_mm, to_mm: DFloats.
      # finished: is what is left the surface of the finished piece?
      Cut = Struct.new(:side, :heights, :from_mm, :to_mm, :finished)

      # blank: on its centres, with a form. rough: the form it was roughed out to before, nil where it was not.
      def initialize(blank, rough: nil)
        @blank = blank
        @form = blank.form
        @rough = rough
        @round_mm = Solid::Stage.round_radius_mm(blank)
      end

      # List of Cut of a kind of step; empty where nothing is cut.
      def of(kind)
        case kind
        when "true_up"
          [cut("outside", [0.0, length_mm], swing(even(0.0, length_mm)), @round_mm, finished: false)]
        when "outside"
          [cut("outside", span, rounded(even(*span)), @form.outside), (mouth if @form.hollow?)]
        else
          of_hollow(kind) || of_ends(kind)
        end.compact
      end

      # z of the mouth, mm: where the rest stands while the inside is cut.
      def mouth_mm = opens_tail? ? span[1] : span[0]

      private

      def of_hollow(kind)
        case kind
        when "retrue"
          [cut("outside", span, @form.outside.radii_mm(even(*span)) + RETRUE_MM, @form.outside)]
        when "rough_out"
          hollowing(0.0, @rough.inside, finished: false)
        when "hollow"
          hollowing(@rough && @rough.inside, @form.inside)
        end
      end

      def of_ends(kind)
        case kind
        when "seat"
          [end_cut("foot", foot_end, foot_radius_mm, finished: false)]
        when "foot"
          [end_cut("foot", foot_end, 0.0)]
        when "ends"
          [end_cut("face", :low, 0.0), end_cut("face", :high, 0.0)]
        else
          []
        end
      end

      def span = @form.z_span_mm
      def length_mm = @blank.shape.length_mm
      def opens_tail? = @form.opens == "tail"
      def foot_end = opens_tail? ? :low : :high
      def foot_radius_mm = @form.outside.points[opens_tail? ? 0 : -1][1]
      def even(low, high) = ((Numo::DFloat.new(HEIGHTS).seq + 0.5) / HEIGHTS * (high - low)) + low

      def swing(heights)
        turns = Numo::DFloat.new(CutCells::ANGLES, 1).seq * (360.0 / CutCells::ANGLES)
        (
          @blank.shape.radius_mm(turns, heights.reshape(1, heights.size)) + Numo::DFloat.zeros(turns.size, heights.size)
        ).max(axis: 0)
      end

      def rounded(heights) = Numo::DFloat.minimum(swing(heights), @round_mm)
      def radii(bound, heights) = bound.respond_to?(:radii_mm) ? bound.radii_mm(heights) : (heights * 0) + bound.to_f

      # Nothing that lies further out than the wood does.
      def cut(side, (low, high), from, bound, finished: true)
        heights = even(low, high)
        to = radii(bound, heights)
        Cut.new(side, heights, Numo::DFloat.maximum(from, to), to, finished)
      end

      # Where the hollow widens behind its mouth: first what any tool reaches straight in, then what is behind the rim.
      def hollowing(before, after, finished: true)
        heights = even(after.first_z_mm, after.last_z_mm)
        to = after.radii_mm(heights)
        from = before ? Numo::DFloat.minimum(within(before, heights), to) : heights * 0
        straight = straight_in(to)
        return [Cut.new("inside", heights, from, to, finished)] if (to - straight).max <= CutRegions::UNDERCUT_MM

        half_way = Numo::DFloat.maximum(from, straight)
        [Cut.new("inside", heights, from, half_way, false), Cut.new("inside", heights, half_way, to, finished)]
      end

      # At each height the narrowest there is between it and the mouth.
      def straight_in(radii)
        from_mouth = opens_tail? ? radii.to_a.reverse : radii.to_a
        narrowest = from_mouth.each_with_object([]) { |radius, list| list << [radius, *list.last].min }
        Numo::DFloat.cast(opens_tail? ? narrowest.reverse : narrowest)
      end

      # Radii of a hollow that may not go so deep.
      def within(bound, heights)
        return radii(bound, heights) unless bound.respond_to?(:radii_mm)

        bound.radii_mm(heights) * Numo::DFloat.cast(heights.ge(bound.first_z_mm) & heights.le(bound.last_z_mm))
      end

      def mouth = end_cut("face", opens_tail? ? :high : :low, 0.0, finished: false)

      def skim(which) = which == :low ? [span[0], span[0] + FACE_MM] : [span[1] - FACE_MM, span[1]]

      # Wood beyond the form at one end, down to a radius; a skim of the face where there is none.
      def end_cut(side, which, to_mm, finished: true)
        low, high = which == :low ? [0.0, span[0]] : [span[1], length_mm]
        if high - low < FACE_MM
          return if to_mm.positive?

          low, high = skim(which)
        end
        heights = even(low, high)
        from = Numo::DFloat.minimum(rounded(heights), side == "foot" && to_mm.zero? ? foot_radius_mm : @round_mm)
        Cut.new(side, heights, Numo::DFloat.maximum(from, to_mm), (heights * 0) + to_mm, finished)
      end
    end
  end
end
