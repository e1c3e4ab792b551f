# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Whether what a mount holds bears what it is loaded with, and up to which speed.
    class MountBearing
      # verdict: :holds, :tailstock (only with it up), :slower (only up to limit_rpm) or :no. limit_rpm: to stay below,
      # nil where the stage's own limit comes first.
      # note: key of what to add, under `mounts.bearing`, or nil.
      Answer = Struct.new(:verdict, :limit_rpm, :note)

      # load: MountLoad. tailstock: is there room for it while the tool works? swing_mm: of the piece.
      # least_rpm: slower than the lathe goes is no speed.
      def initialize(load, tailstock:, swing_mm:, least_rpm:)
        @load = load
        @tailstock = tailstock
        @swing_mm = swing_mm
        @least_rpm = [least_rpm, 1].max
        @table = Table["mounts"]
      end

      # Moment on the seat, N m, without and with the tailstock.
      def need_nm = @need_nm ||= @load.nm
      def need_with_tailstock_nm = @need_with_tailstock_nm ||= @load.nm(tailstock: true)

      # The Answer for a hold in N m, by the moments alone.
      def answer(hold_nm)
        return Answer.new(:holds, nil, nil) if hold_nm >= need_nm * free

        @tailstock ? with_tailstock(hold_nm) : without(hold_nm)
      end

      # rpm that a mount of that key is turned at, whatever it bears; nil where that is no less than the piece's own.
      def own_rpm(key)
        row = MountHold.row(key)
        rpm = [row["most_rpm"], row["rim_m_s"] && RimSpeed.rpm(row["rim_m_s"], @swing_mm)].compact.min
        rpm if rpm && rpm < @load.rpm
      end

      private

      def free = @table["margins"]["free"]

      def with_tailstock(hold_nm)
        least = @table["margins"]["least"]
        return Answer.new(:tailstock, nil, "tailstock") if hold_nm >= need_with_tailstock_nm * least

        slower(@load.borne_to_rpm(hold_nm / least, tailstock: true), "tailstock", "not_with_tailstock")
      end

      # The tailstock is in the way of the tool: it holds free, or for light cuts alone, or not.
      def without(hold_nm)
        light = MountLoad.new(**@load.to_h, force_n: [@load.force_n, @table["loads"]["light_n"]].min)
        return Answer.new(:holds, nil, "light_cuts") if hold_nm >= light.nm * free

        slower(light.borne_to_rpm(hold_nm / free), "light_cuts", "not_without_tailstock")
      end

      def slower(limit_rpm, note, else_note)
        limit_rpm && limit_rpm >= @least_rpm ? Answer.new(:slower, limit_rpm, note) : Answer.new(:no, nil, else_note)
      end
    end
  end
end
