# frozen_string_literal: true

module MossyAnvil
  module Model
    # The lathe the piece is to be turned on.
    class Lathe
      attr_reader :mass_kg, :ballast_kg, :stand, :swing_mm, :between_centres_mm, :belts, :jaws_mm

      # stand: "light", "floor" or "bolted". belts: [{ min_rpm:, max_rpm: }]. jaws_mm: circles its jaw sets close to true.
      def initialize(mass_kg:, stand:, swing_mm:, between_centres_mm:, belts:, ballast_kg: 0, jaws_mm: [])
        @mass_kg = mass_kg.to_f
        @ballast_kg = ballast_kg.to_f
        @stand = stand
        @swing_mm = swing_mm.to_f
        @between_centres_mm = between_centres_mm.to_f
        @belts = belts.map(&:freeze).freeze
        @jaws_mm = jaws_mm.map(&:to_f).freeze
        freeze
      end

      # What no schema can tell of a lathe's data (symbol-keyed): list of Fault under `at`, empty where it fits.
      def self.faults(data, at:)
        data[:belts]
          .each_with_index
          .reject { |belt, _| belt[:max_rpm] > belt[:min_rpm] }
          .map do |belt, index|
            Fault.new(
              path: "#{at}/belts/#{index}/max_rpm",
              problem: "is #{belt[:max_rpm]}",
              allowed: "more than min_rpm, #{belt[:min_rpm]}"
            )
          end
      end

      def total_kg = mass_kg + ballast_kg
      def min_rpm = belts.map { |belt| belt[:min_rpm] }.min.to_f
      def max_rpm = belts.map { |belt| belt[:max_rpm] }.max.to_f

      # Number (from 1) of the belt whose range holds that speed with most torque: the slowest that reaches it; nil if none.
      def belt_for(rpm)
        fits = belts.each_index.select { |index| rpm.between?(belts[index][:min_rpm], belts[index][:max_rpm]) }
        fits.min_by { |index| belts[index][:max_rpm] }&.succ
      end
    end
  end
end
