# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The screws of a faceplate on a seat: the plate turned so that as few of them as can be go into a defect, and what
    # each of the rest holds.
    class PlateScrews
      # Ways that the plate is tried, between one screw and the next.
      TURNS = 12

      # site: MountSite; own: the plate's row of the mounts table; clear_mm: a screw keeps so far from a defect.
      def initialize(site, own, clear_mm)
        @site = site
        @own = own
        @clear_mm = clear_mm
      end

      # Degrees that its first screw lies from 12 o'clock.
      def turned_deg = best.first

      # Ids of the defects in the way, whichever screw they meet.
      def struck = best.last.flatten.uniq

      # How many hold; clock angles of those to leave out.
      def sound = count - left_out_deg.size
      def left_out_deg =
        best.last.each_index.select { |index| best.last[index].any? }.map { |index| clock_of(turned_deg, index) }

      # How to set the plate, a message.
      def says
        about = { count: Message.count(sound), circle: [@own["circle_mm"], "mm"], first: [turned_deg, "clock"] }
        return Message.of("mounts.faceplate", **about) if left_out_deg.empty?

        Message.of("mounts.faceplate_without", **about, out: [left_out_deg, "clocks"], ids: Message.ids(struck))
      end

      # N of each, given the withdrawal of one in sound wood: none for those in a defect.
      def pulls_n(withdrawal_n)
        shares = @site.shares_round(count, @own["circle_mm"] / 2.0, @own["length_mm"], from_deg: turned_deg)
        best.last.zip(shares).map { |found, share| found.any? ? 0.0 : withdrawal_n * share }
      end

      private

      def count = @own["count"]
      def clock_of(turn, index) = ClockAngle.fold(turn + (index * 360.0 / count))

      # [turn, ids that each screw would go into]: the first way in which none meets any, else that in which fewest do.
      def best
        @best ||=
          begin
            tried = []
            TURNS.times do |step|
              turn = step * 360.0 / count / TURNS
              tried << [turn, met(turn)]
              break if tried.last.last.none?(&:any?)
            end
            tried.min_by { |turn, met| [met.count(&:any?), turn] }
          end
      end

      def met(turn)
        Array.new(count) do |index|
          @site.struck(
            clock_of(turn, index),
            @own["circle_mm"] / 2.0,
            (@own["diameter_mm"] / 2.0) + @clear_mm,
            @own["length_mm"]
          )
        end
      end
    end
  end
end
