# frozen_string_literal: true

module MossyAnvil
  module Solid
    # What the form does to some defects that are cut into lumps alike. Everything public has one entry for each of
    # them, in their order.
    class DefectShares
      TOUCH_MM = 0.25

      # As many as are worked out at a time: few enough that a change of one leaves most as they are, many enough for
      # one step over arrays to be worth it.
      TOGETHER = 8
      WORKED_OUT = Cache.new(24)

      # [[defect, DefectShare], ...] in the order of the survey.
      def self.of(blank)
        found = {}.compare_by_identity
        DefectLumps
          .alike(blank.defects, blank.shape)
          .flat_map { |alike| alike.each_slice(TOGETHER).to_a }
          .each do |defects|
            shares =
              WORKED_OUT.of([defects, blank.shape, blank.form]) { new(DefectLumps.cut(defects, blank.shape), blank) }
            defects.each_with_index { |defect, row| found[defect] = DefectShare.new(defect, shares, row) }
          end
        blank.defects.map { |defect| [defect, found[defect]] }
      end

      attr_reader :form

      def initialize(lumps, blank)
        @lumps = lumps
        @shape = blank.shape
        @form = blank.form
        @radius, @z, @surface = lumps.radius_mm, lumps.z_mm, lumps.surface_mm
        @in_wood = @radius.le(@surface + 1e-9) & @z.ge(0) & @z.le(@shape.length_mm)
        @outer = @form ? Numo::DFloat.minimum(lumps.along(@form.outside), @surface) : @surface
        @inner = lumps.along(@form.inside) if hollow?
      end

      def hollow? = !@form.nil? && @form.hollow?

      # mm3 they take up in the wood, open or not.
      def occupied_mm3 = @occupied_mm3 ||= volumes(@in_wood).to_a

      # mm3 that stay in the finished piece; and when only the outside is turned.
      def kept_mm3 = @kept_mm3 ||= volumes(within).to_a
      def kept_outside_mm3 = @kept_outside_mm3 ||= volumes(@in_wood & outside_kept(0.0)).to_a

      # mm3 that stay, with so much wood beyond every finished surface.
      def kept_proud_mm3 =
        @kept_proud_mm3 ||= volumes(@form ? @in_wood & kept(DefectShare::FILL_PROUD_MM) : @in_wood).to_a

      # Share of what they take up that the form turns away.
      def removed_share
        @removed_share ||=
          occupied_mm3.zip(kept_mm3).map { |whole, kept| whole.zero? ? 1.0 : (1 - (kept / whole)).clamp(0.0, 1.0) }
      end

      # Do they open on a finished surface? Cut by one, partly kept and partly turned away, or at the wood's own surface
      # where the form leaves it as it is.
      def opens
        @opens ||=
          begin
            # A path opens where it runs.
            pokes_out = any(~@in_wood).map { |outside| outside || @lumps.paths? }
            if @form
              pokes_out.zip(any(@in_wood & ~within), at_kept_skin).map { |pokes, cut, kept| cut || (pokes && kept) }
            else
              pokes_out
            end
          end
      end

      # Does any lie beyond the outside or the closed end; and in the hollow?
      def beyond_outside
        @beyond_outside ||=
          begin
            low, high = @form.z_span_mm
            closed_end = @form.opens == "tail" ? @z.lt(low + TOUCH_MM) : @z.gt(high - TOUCH_MM)
            past_skin = (@radius + column(@lumps.under_mm)).gt(@outer - TOUCH_MM) & in_span(0.0)
            any(past_skin | closed_end)
          end
      end

      def inside_hollow
        @inside_hollow ||=
          begin
            past_floor = @form.opens == "tail" ? @z.gt(@form.floor_z_mm) : @z.lt(@form.floor_z_mm)
            any(@radius.lt(@inner) & past_floor & in_span(0.0))
          end
      end

      # On which finished skins any of it lies, the whole of it or the cut through it: lists of :outside, :inside, :rim
      # and :foot.
      def shows
        @shows ||=
          begin
            found = skins.transform_values { |lumps| any(lumps) }
            @lumps.defects.each_index.map { |row| found.keys.select { |skin| found[skin][row] } }
          end
      end

      # Does any lie in the wood within so much of the axis, between two z?
      def in_cylinder(radius_mm, from_mm, to_mm)
        (@in_cylinder ||= {})[[radius_mm, from_mm, to_mm]] ||= any(
          @in_wood & @radius.le(radius_mm) & @z.ge(from_mm) & @z.le(to_mm)
        )
      end

      # [radius, z] of the middles, mm.
      def middles_mm = @middles_mm ||= [@radius, @z].map { |values| values.mean(axis: 1).to_a }.transpose

      # mm of depth in the finished wood: from a face how much of the way in lies there, else how far under the outside
      # it goes.
      def remaining_depth_mm
        @remaining_depth_mm ||=
          (@lumps.from_face? ? @lumps.most_depth_mm(within).to_a : ((@outer - @radius) * within).max(axis: 1).to_a)
      end

      private

      # Does any that is kept lie at the wood's own surface, where the form leaves that surface as it is?
      def at_kept_skin =
        any(within & @outer.ge(@surface - TOUCH_MM) & (@radius + column(@lumps.coarse_mm)).ge(@surface))

      # The lumps (bits) that lie in the finished piece.
      def within = @within ||= @form ? @in_wood & kept(0.0) : @in_wood

      # The lumps that lie in the form grown by `proud` mm on every surface; and as if nothing were hollowed.
      def kept(proud)
        return outside_kept(proud) unless hollow?

        past_floor = @form.opens == "tail" ? @z.le(@form.floor_z_mm + proud) : @z.ge(@form.floor_z_mm - proud)
        outside_kept(proud) & (@radius.ge(@inner - proud) | past_floor)
      end

      def outside_kept(proud) = (@outside_kept ||= {})[proud] ||= @radius.le(@outer + proud) & in_span(proud)

      def in_span(proud)
        low, high = @form.z_span_mm
        (@in_span ||= {})[proud] ||= @z.ge(low - proud) & @z.le(high + proud)
      end

      # The kept lumps that lie next to each finished skin.
      def skins
        near = column(@lumps.coarse_mm)
        foot, rim = at_ends(near)
        found = { outside: within & (@radius + near).ge(@outer) }
        return found.merge(rim: foot | rim) unless hollow?

        floor_mm = @form.floor_z_mm
        past_floor = @form.opens == "tail" ? (@z + near).ge(floor_mm) : (@z - near).le(floor_mm)
        found.merge(inside: within & (@radius - near).le(@inner) & past_floor, rim: rim, foot: foot)
      end

      # At the foot, and at the mouth.
      def at_ends(near)
        low, high = @form.z_span_mm
        ends = [within & @z.le(near + low), within & @z.ge((near * -1) + high)]
        @form.opens == "head" ? ends.reverse : ends
      end

      # mm3 of some lumps of each defect.
      def volumes(lumps)
        volume = @lumps.volume_mm3
        return Numo::DFloat.cast(lumps.count_true(axis: 1)) * volume[true, 0] if volume.shape[1] == 1

        (volume * lumps).sum(axis: 1)
      end

      def any(lumps) = lumps.count_true(axis: 1).to_a.map(&:positive?)
      def column(numbers) = Numo::DFloat.cast(numbers).reshape(numbers.size, 1)
    end
  end
end
