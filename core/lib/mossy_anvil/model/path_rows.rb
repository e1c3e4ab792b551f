# frozen_string_literal: true

module MossyAnvil
  module Model
    # Paths that enter by the same surface, cut into equally many even pieces, so that one step over arrays serves them
    # all.
    class PathRows
      # enters: of all of them. clock_deg, radius_mm, z_mm, length_mm, depth_mm: as PathDefect::Samples, paths x pieces.
      attr_reader :paths, :enters, *PathDefect::Samples.members

      # List of PathRows that holds every path once; count: pieces wanted (see PathDefect#samples). with_points: the
      # paths' own points, where depth may be greatest, as well: pieces of no length.
      def self.of(paths, shape, count: PathDefect::SAMPLES, with_points: false)
        alike(paths, shape, count: count, with_points: with_points).map do |own|
          new(own, shape, count, with_points: with_points)
        end
      end

      # The paths in lists of such as make one PathRows.
      def self.alike(paths, shape, count:, with_points: false)
        paths.group_by { |path| [path.enters, path.samples(shape, count: count, with_points: with_points).size] }.values
      end

      def initialize(paths, shape, count, with_points: false)
        @paths = paths
        @enters = paths.first.enters
        samples = paths.map { |path| path.samples(shape, count: count, with_points: with_points) }
        @clock_deg, @radius_mm, @z_mm, @length_mm, @depth_mm =
          PathDefect::Samples.members.map { |member| PathRows.stack(samples.map(&member)) }
        freeze
      end

      def side? = enters == "side"
      def size = paths.size
      def pieces = clock_deg.shape[1]

      # One number of each path, as a column beside the pieces.
      def column(&) = Numo::DFloat.cast(paths.map(&)).reshape(size, 1)

      # Arrays of one size as the rows of one.
      def self.stack(lines)
        Numo::DFloat
          .zeros(lines.size, lines.first.size)
          .tap { |table| lines.each_with_index { |line, row| table[row, true] = line } }
      end
    end
  end
end
