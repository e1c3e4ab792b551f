# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The wood where it lies in a mould: standing on its head end or lying along the mould, turned, off the middle, off
    # the floor. Places are mm from the middle of the mould's floor, x along its length, y across it.
    # Source: geometry; a wood that is not sawn square is taken as round, by its farthest reach.
    class InMould
      HEIGHTS, ANGLES = 64, 96

      # shape: of the blank; mould: Mould; placed: { x_mm:, y_mm:, up_mm:, turned_deg:, lies: }, each of them or none.
      def initialize(shape, mould, placed)
        @shape = shape
        @mould = mould
        @x, @y, @up, @turned = %i[x_mm y_mm up_mm turned_deg].map { |key| (placed[key] || 0).to_f }
        @lies = placed[:lies] || false
      end

      # mm of resin beside it on each side, under 0 where it does not go in: left and right along the mould, front and
      # back across it; round a round one.
      def rooms
        return { around: (@mould.inside_mm.first / 2) - farthest_mm } if @mould.round?

        half_y, half_x = @mould.inside_mm.map { |mm| mm / 2 }
        {
          left: half_x + @x - reach[0],
          right: half_x - @x - reach[0],
          front: half_y + @y - reach[1],
          back: half_y - @y - reach[1]
        }
      end

      # mm that stand out over the pour.
      def stands_out_mm = [@up + tall_mm - @mould.depth_mm, 0.0].max

      # Share of it under the pour, 0 to 1.
      def under_share
        deep = (@mould.depth_mm - @up).clamp(0, tall_mm)
        return 1.0 if deep >= tall_mm
        return deep / tall_mm if @shape.is_a?(Model::Block)

        @lies ? segment_share(deep / @shape.max_radius_mm) : standing_share(deep)
      end

      # mm that its middle lies off the axis the casting is turned about: upright through the mould's middle or, where
      # it lies, along it at half the depth.
      def off_mm = @lies ? Math.hypot(@y, @up + (tall_mm / 2) - (@mould.depth_mm / 2)) : Math.hypot(@x, @y)

      # Plain data, for a drawing too.
      def to_h
        {
          round: round?,
          along_mm: sides[0],
          across_mm: sides[1],
          tall_mm: tall_mm,
          x_mm: @x,
          y_mm: @y,
          up_mm: @up,
          turned_deg: @turned,
          lies: @lies,
          stands_out_mm: stands_out_mm,
          off_mm: off_mm,
          rooms: rooms
        }
      end

      private

      # Seen from above.
      def round? = !@lies && !@shape.is_a?(Model::Block)

      def sides
        return @shape.length_mm, @shape.is_a?(Model::Block) ? @shape.width_mm : 2 * @shape.max_radius_mm if @lies

        @shape.is_a?(Model::Block) ? [@shape.width_mm, @shape.height_mm] : [2 * @shape.max_radius_mm] * 2
      end

      def tall_mm
        return @shape.length_mm unless @lies

        @shape.is_a?(Model::Block) ? @shape.height_mm : 2 * @shape.max_radius_mm
      end

      # How far it comes along x and y from its own middle.
      def reach
        return sides.map { |side| side / 2 } if round?

        cosine, sine = Math.cos(@turned * ClockAngle::RADIANS).abs, Math.sin(@turned * ClockAngle::RADIANS).abs
        [((sides[0] * cosine) + (sides[1] * sine)) / 2, ((sides[0] * sine) + (sides[1] * cosine)) / 2]
      end

      # From the mould's middle to its farthest edge or corner.
      def farthest_mm
        return Math.hypot(@x, @y) + (sides[0] / 2) if round?

        sine, cosine = ClockAngle.point(@turned, 1.0)
        half_along, half_across = sides.map { |side| side / 2 }
        [half_along, -half_along].product([half_across, -half_across])
          .map do |along, across|
            Math.hypot(@x + (along * cosine) - (across * sine), @y + (along * sine) + (across * cosine))
          end
          .max
      end

      # Of a circle filled so many radii deep.
      def segment_share(radii) = (Math.acos(1 - radii) - ((1 - radii) * Math.sqrt(radii * (2 - radii)))) / Math::PI

      # As shares of one another, at heights (1 x HEIGHTS).
      def areas(heights)
        clock = Numo::DFloat.new(ANGLES, 1).seq * (360.0 / ANGLES)
        radii = @shape.radius_mm(clock, heights) + Numo::DFloat.zeros(ANGLES, HEIGHTS)
        (radii**2).sum(axis: 0)
      end

      # Of the wood from the head end up to so many mm, by its own section.
      def standing_share(deep)
        step = @shape.length_mm / HEIGHTS
        heights = (Numo::DFloat.new(1, HEIGHTS).seq + 0.5) * step
        areas = areas(heights)
        layers = (((heights.flatten * -1) + deep) / step + 0.5).clip(0, 1)
        (areas * layers).sum / areas.sum
      end
    end
  end
end
