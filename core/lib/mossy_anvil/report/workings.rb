# frozen_string_literal: true

module MossyAnvil
  module Report
    # Keeps the figure behind each number of an assessment, by the number's JSON Pointer.
    class Workings
      def initialize
        @figures = {}
      end

      # Keeps the figure under its place and returns its value.
      def put(pointer, **figure)
        made = Figure.new(**figure)
        @figures[pointer] = made
        made.value
      end

      # Takes over what another keeps.
      def take(other) = @figures.update(other.figures)

      def [](pointer) = @figures[pointer]

      # pointer => working, as plain data.
      def to_h = @figures.transform_values(&:to_h)

      protected

      attr_reader :figures
    end
  end
end
