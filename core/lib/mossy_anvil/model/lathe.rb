# frozen_string_literal: true

module MossyAnvil
  module Model
    # The lathe the piece is to be turned on.
    class Lathe
      # stand: "light", "floor" or "bolted". belts: [{ min_rpm:, max_rpm: }]. jaws_mm: circles its jaw sets close to
      # true. power_w: of its motor, nil where nobody wrote it down.
      extend Record
      fields :mass_kg, :stand, :swing_mm, :between_centres_mm, :belts, ballast_kg: 0, jaws_mm: [], power_w: nil

      def initialize(**given)
        given = Lathe.complete(given)
        @mass_kg, @ballast_kg, @swing_mm, @between_centres_mm =
          given.values_at(:mass_kg, :ballast_kg, :swing_mm, :between_centres_mm).map(&:to_f)
        @stand = given[:stand]
        @power_w = given[:power_w]&.to_f
        @belts = given[:belts].map(&:freeze).freeze
        @jaws_mm = given[:jaws_mm].map(&:to_f).freeze
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
              problem: Fault.t("is", given: belt[:max_rpm]),
              allowed: Fault.t("more_than_min_rpm", min_rpm: belt[:min_rpm])
            )
          end
      end

      def total_kg = mass_kg + ballast_kg
      def min_rpm = belts.map { |belt| belt[:min_rpm] }.min.to_f
      def max_rpm = belts.map { |belt| belt[:max_rpm] }.max.to_f

      # Number (from 1) of the belt whose range holds that speed with most torque: the slowest that reaches it; nil if
      # none.
      def belt_for(rpm)
        fits = belts.each_index.select { |index| rpm.between?(belts[index][:min_rpm], belts[index][:max_rpm]) }
        fits.min_by { |index| belts[index][:max_rpm] }&.succ
      end
    end
  end
end
