# frozen_string_literal: true

module MossyAnvil
  module Solid
    # The pieces that cracks cut free between them: the wood is laid out in cells, each crack as a wall along their
    # edges, and what does not hang together with the largest part without going through a wall is loose. Coarse: a
    # piece of a few cells is not seen, a gap of less than half a cell is taken as closed, which is on the safe side.
    class FreedPieces
      RADIAL, ANGULAR, AXIAL = 24, 96, 32
      SHAPE = [ANGULAR, AXIAL, RADIAL].freeze
      LEAST_MM3 = 300.0
      MOST_PIECES = 6

      Piece = Struct.new(:ids, :volume_mm3, :clock_deg, :radius_mm, :z_mm, keyword_init: true)

      # seams: the open Seams of the blank.
      def initialize(shape, seams)
        @shape = shape
        @seams = seams
        @dr, @da, @dz = shape.max_radius_mm / RADIAL, 360.0 / ANGULAR, shape.length_mm / AXIAL
        @walls = ConnectedCells::Walls.new(*[0, 1, 2].map { Numo::Int32.zeros(*SHAPE) })
        seams.each { |seam| build(seam) }
      end

      # List of Piece, largest first; what is larger than all of them is the blank itself.
      def all
        parts = []
        left = wood.dup
        while left.any? && parts.size <= MOST_PIECES
          parts << connected.with(left.where[0])
          left &= ~parts.last
        end
        parts
          .map { |part| piece(part) }
          .sort_by { |made| -made.volume_mm3 }
          .drop(1)
          .select { |made| made.volume_mm3 >= LEAST_MM3 }
      end

      private

      def connected = @connected ||= ConnectedCells.new(wood, @walls)

      def middles(count, step) = (Numo::DFloat.new(count).seq + 0.5) * step

      # Cells of which the middle is wood, as bits.
      def wood
        @wood ||=
          begin
            surface =
              @shape.radius_mm(middles(ANGULAR, @da).reshape(ANGULAR, 1), middles(AXIAL, @dz).reshape(1, AXIAL)) +
                Numo::DFloat.zeros(ANGULAR, AXIAL)
            middles(RADIAL, @dr).reshape(1, 1, RADIAL).le(surface.reshape(ANGULAR, AXIAL, 1))
          end
      end

      # Path points pulled to the corners of cells, and walls laid along the edges between.
      def build(seam)
        path = seam.path
        corners = corners_of(seam)
        corners.each_cons(2) do |from, to|
          path.side? ? wall_inward(from, to, rings_from(from)) : wall_along(from, to, layers_of(path, from))
        end
      end

      # [column, layer, depth in mm] on the side, [column, ring, depth] on a face; ends included.
      def corners_of(seam)
        step, most = seam.path.side? ? [@dz, AXIAL] : [@dr, RADIAL]
        places =
          places_along(seam.path).map do |clock, along, depth|
            [(clock / @da).round, (along / step).round.clamp(0, most), seam.path.through? ? seam.deepest_mm : depth]
          end
        places.chunk_while { |a, b| a.first(2) == b.first(2) }.map { |same| [*same[0].first(2), same.map(&:last).max] }
      end

      # [clock, z on the side or radius on a face, depth], in degrees and mm, along a path, its ends included.
      def places_along(path)
        samples = path.samples(@shape, count: Model::CrackSheet::ALONG)
        second = path.side? ? :z_mm : :r_mm
        first, last =
          [path.path.first, path.path.last].map { |point| [point[:clock_deg], point[second].to_f, point[:depth_mm]] }
        across = path.side? ? samples.z_mm : samples.radius_mm
        [first, *samples.clock_deg.to_a.zip(across.to_a, samples.depth_mm.to_a), last]
      end

      def rings_from((column, layer, deepest_mm))
        z_mm = [(layer + 0.5) * @dz, @shape.length_mm].min
        surface = @shape.radius_mm(Numo::DFloat[column * @da], Numo::DFloat[z_mm])[0]
        ((surface - deepest_mm) / @dr).floor.clamp(0, RADIAL - 1)..(RADIAL - 1)
      end

      def layers_of(path, (_, _, deepest_mm))
        deep = (deepest_mm / @dz).ceil.clamp(1, AXIAL)
        path.enters == "head_face" ? 0..(deep - 1) : (AXIAL - deep)..(AXIAL - 1)
      end

      # From the side: along z a wall between columns, round the clock one between layers.
      def wall_inward((column, layer), (to_column, to_layer), rings)
        each_turn(column, to_column) do |between|
          @walls.layer[between, layer, rings] = 1 if layer.between?(1, AXIAL - 1)
        end
        Range
          .new(*[layer, to_layer].minmax, true)
          .each { |between| @walls.column[to_column % ANGULAR, between, rings] = 1 }
      end

      # From a face: along r a wall between columns, round the clock one between rings.
      def wall_along((column, ring), (to_column, to_ring), layers)
        each_turn(column, to_column) do |between|
          @walls.ring[between, layers, ring] = 1 if ring.between?(1, RADIAL - 1)
        end
        Range
          .new(*[ring, to_ring].minmax, true)
          .each { |between| @walls.column[to_column % ANGULAR, layers, between] = 1 }
      end

      # Columns passed from one corner to another, the short way round.
      def each_turn(from, to)
        steps = ((to - from + (ANGULAR / 2)) % ANGULAR) - (ANGULAR / 2)
        first = steps.negative? ? from + steps : from
        steps.abs.times { |step| yield (first + step) % ANGULAR }
      end

      # x and y of the middle.
      def across(volumes, rings, total)
        angle = (middles(ANGULAR, @da) * ClockAngle::RADIANS).reshape(ANGULAR, 1, 1)
        [Numo::DFloat::Math.sin(angle), Numo::DFloat::Math.cos(angle)].map do |share|
          (volumes * share * rings.reshape(1, 1, RADIAL)).sum / total
        end
      end

      def piece(part)
        rings = middles(RADIAL, @dr)
        volumes = (rings * @dr * (@da * ClockAngle::RADIANS) * @dz).reshape(1, 1, RADIAL) * Numo::DFloat.cast(part)
        total = volumes.sum
        x, y = across(volumes, rings, total)
        z = (volumes * middles(AXIAL, @dz).reshape(1, AXIAL, 1)).sum / total
        Piece.new(
          ids: bordering(part),
          volume_mm3: total,
          clock_deg: ClockAngle.of_point(x, y),
          radius_mm: Math.hypot(x, y),
          z_mm: z
        )
      end

      # Seams that have a place in the piece or in a cell beside it.
      def bordering(part)
        grown = part
        3.times { |axis| grown |= shifted(grown, axis, 1) | shifted(grown, axis, -1) }
        @seams.select { |seam| touches?(grown, seam) }.map { |seam| seam.path.id }
      end

      def touches?(cells, seam)
        clock, radius, z = seam.places
        column = Numo::Int32.cast((clock / @da).floor) % ANGULAR
        layer = Numo::Int32.cast((z / @dz).floor.clip(0, AXIAL - 1))
        ring = Numo::Int32.cast((radius / @dr).floor.clip(0, RADIAL - 1))
        cells[(((column * AXIAL) + layer) * RADIAL) + ring].count_true > seam.path.path.size
      end

      def shifted(bits, axis, by)
        Numo::Bit
          .zeros(*SHAPE)
          .tap do |moved|
            length = SHAPE[axis]
            to, from = by.positive? ? [1..-1, 0..-2] : [0..-2, 1..-1]
            moved[*Array.new(3) { |other| other == axis ? to : true }] = bits[
              *Array.new(3) { |other| other == axis ? from : true }
            ]
            next unless axis.zero?

            edge, source = by.positive? ? [0, length - 1] : [length - 1, 0]
            moved[edge, true, true] = bits[source, true, true]
          end
      end
    end
  end
end
