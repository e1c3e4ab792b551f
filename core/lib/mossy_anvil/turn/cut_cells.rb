# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What is cut away between two surfaces of revolution, height by height: how much of it, what of it is air, and what
    # trouble lies in it.
    class CutCells
      LEVELS, ANGLES = 5, 120
      MM3_PER_ML = 1000.0
      # Kinds of PointProbe by what they are to an edge; anything else is sound.
      STUFF = {
        "air" => "air",
        "dirt" => "dirt",
        "bark" => "bark",
        "stone" => "stone",
        "metal" => "stone",
        "knot" => "dense",
        "resin" => "resin",
        "bubbles" => "resin",
        "glue line" => "resin",
        "crack" => "cracked",
        "loose" => "cracked",
        "firm" => "sound",
        "soft" => "soft",
        "spongy" => "soft",
        "galleries" => "soft"
      }.freeze

      # What is met at one height: ml of wood to take, shares of the sweep by kind of stuff, ids of what is met.
      Layer =
        Struct.new(:z_mm, :high_mm, :from_mm, :to_mm, :volume_ml, :shares, :ids, keyword_init: true) do
          def air_share = shares.fetch("air", 0.0)
          def largest_mm = [from_mm, to_mm].max
        end

      # heights: DFloat of even heights, mm; from_mm, to_mm: radii (DFloat) of the surface before and after.
      def initialize(blank, heights, from_mm, to_mm)
        @blank = blank
        @heights = heights
        @inner = Numo::DFloat.minimum(from_mm, to_mm)
        @outer = Numo::DFloat.maximum(from_mm, to_mm)
        @from = from_mm
        @to = to_mm
        @probe = Solid::PointProbe.new(blank, narrowest_mm: 2 * Math::PI * @outer.max / ANGLES)
      end

      # List of Layer, one a height.
      def layers
        high_mm = @heights.size > 1 ? @heights[1] - @heights[0] : 1.0
        @layers ||=
          (0...@heights.size).map do |at|
            Layer.new(z_mm: @heights[at], high_mm: high_mm, from_mm: @from[at], to_mm: @to[at], **met(at, high_mm))
          end
      end

      # What is met at a height.
      def met(at, high_mm)
        met, weight = [owners, weights].map { |cells| cells[at, true, true].flatten }
        there = met.to_a.uniq
        {
          volume_ml: (weight * Numo::DFloat.cast(met.ne(Solid::PointProbe::AIR))).sum * high_mm / MM3_PER_ML,
          shares: shares(there, met, weight),
          ids: there.reject(&:negative?).sort.map { |index| @blank.defects[index].id }
        }
      end

      private

      def radii
        middle = ((Numo::DFloat.new(1, LEVELS).seq + 0.5) / LEVELS)
        (middle * (@outer - @inner).reshape(@heights.size, 1)) + @inner.reshape(@heights.size, 1)
      end

      # mm2 each place stands for: heights x levels x angles.
      def weights
        @weights ||=
          begin
            ring = radii * ((@outer - @inner).reshape(@heights.size, 1) / LEVELS) * (2 * Math::PI / ANGLES)
            ring.reshape(@heights.size, LEVELS, 1) + Numo::DFloat.zeros(1, 1, ANGLES)
          end
      end

      def owners
        @owners ||=
          begin
            none = Numo::DFloat.zeros(@heights.size, LEVELS, ANGLES)
            clock = (Numo::DFloat.new(1, 1, ANGLES).seq * (360.0 / ANGLES)) + none
            places = [
              clock,
              radii.reshape(@heights.size, LEVELS, 1) + none,
              @heights.reshape(@heights.size, 1, 1) + none
            ]
            @probe.owners(*places.map(&:flatten)).reshape(@heights.size, LEVELS, ANGLES)
          end
      end

      def shares(owners, met, weight)
        whole = weight.sum
        return { "sound" => 1.0 } if whole < 1e-9

        owners.each_with_object(Hash.new(0.0)) do |owner, found|
          there = owners.size == 1 ? 1.0 : (weight * Numo::DFloat.cast(met.eq(owner))).sum / whole
          found[STUFF.fetch(@probe.kind(owner), "sound")] += there
        end
      end
    end
  end
end
