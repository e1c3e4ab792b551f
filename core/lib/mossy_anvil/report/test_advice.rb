# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the tests in the hand say that the survey does not.
    class TestAdvice
      include AdviceBuilder

      # List of findings.
      def to_a = [*zones, *moving, *@blank.suspects.map { |hollow| dull(hollow) }, *glows]

      private

      def by_test(type) = @blank.defects.select { |defect| defect.type == type && defect.by_test? }

      def zones
        by_test("soft_zone").map do |zone|
          say(:care, "#{zone.id}: your tests make it #{zone.detail[:grade]} over {round} by {along} at {side}, {z} from the head; how deep is a guess, {deep}.",
            round: [zone.size_mm[1], "mm"], along: [zone.size_mm[2], "mm"], side: [zone.clock_deg, "clock"], z: [zone.z_mm, "mm"], deep: [zone.size_mm[0] / 2, "mm"])
        end
      end

      def moving
        by_test("loose_piece").map do |piece|
          say(:stop, "#{piece.id}: something moves under the blade at {side}, {z} from the head. Take it off or glue it down before the lathe turns.",
            side: [piece.clock_deg, "clock"], z: [piece.z_mm, "mm"])
        end
      end

      def dull(hollow)
        say(:care, "Sounds dull at {side}, {z} from the head, and nothing found explains it: the worst case takes a hollow there. Probe it.",
          side: [hollow.clock_deg, "clock"], z: [hollow.z_mm, "mm"])
      end

      def glows
        lit = @blank.tests.select { |reading| reading[:kind] == "lamp" && reading[:found] == "glows" }
        lit.map do |reading|
          say(:care, "A lamp shines through at {side}, {z} from the head: only a few mm of wall there. Cut no more of it away.",
            side: [ClockAngle.fold(reading[:at][:clock_deg]), "clock"], z: [reading[:at][:z_mm], "mm"])
        end
      end
    end
  end
end
