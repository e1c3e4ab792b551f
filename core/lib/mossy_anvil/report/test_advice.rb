# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the tests in the hand say that the survey does not.
    class TestAdvice
      include AdviceBuilder

      # List of advice.
      def to_a = [*zones, *moving, *@blank.suspects.map { |hollow| dull(hollow) }, *glows]

      private

      def by_test(type) = @blank.defects.select { |defect| defect.type == type && defect.by_test? }

      def zones
        by_test("soft_zone").map do |zone|
          say(
            :care,
            "tests.soft",
            id: Message.text(zone.id),
            grade: Message.term("grades.#{zone.detail[:grade]}"),
            round: [zone.size_mm[1], "mm"],
            along: [zone.size_mm[2], "mm"],
            side: [zone.clock_deg, "clock"],
            z: [zone.z_mm, "mm"],
            deep: [zone.size_mm[0] / 2, "mm"]
          )
        end
      end

      def moving
        by_test("loose_piece").map do |piece|
          say(:stop, "tests.moves", id: Message.text(piece.id), side: [piece.clock_deg, "clock"], z: [piece.z_mm, "mm"])
        end
      end

      def dull(hollow) = say(:care, "tests.dull", side: [hollow.clock_deg, "clock"], z: [hollow.z_mm, "mm"])

      def glows
        lit = @blank.tests.select { |reading| reading[:kind] == "lamp" && reading[:found] == "glows" }
        lit.map do |reading|
          say(
            :care,
            "tests.glows",
            side: [ClockAngle.fold(reading[:at][:clock_deg]), "clock"],
            z: [reading[:at][:z_mm], "mm"]
          )
        end
      end
    end
  end
end
