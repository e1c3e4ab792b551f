# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What is seen, heard and felt at the screen lathe as it stands: never the truth's own numbers.
    class Perceived
      SIGNS = {
        "splits" => "creaks",
        "crack_runs" => "ticks",
        "piece_flies" => "rattles",
        "comes_loose" => "rattles",
        "glue_opens" => "ticks",
        "leaves_mount" => "mount_works",
        "wall_breaks" => "wall_sings"
      }.freeze

      # lathe: ScreenLathe.
      def initialize(lathe)
        @lathe = lathe
      end

      # [{ key:, level: "faint" or "clear", warns_of: }, ...]
      def signs
        return [] unless @lathe.step

        [*of_shares, *of_bodies, *(shake_share > 1 ? [sign("shakes", "clear", nil)] : [])].uniq { |one| one[:key] }
      end

      # Shaking over what the lathe's stand takes.
      def shake_share
        lathe = @lathe.blank.lathe
        return 0.0 unless turning? && lathe

        borne = Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Mechanics::GRAVITY_M_S2
        Turn::Balance.force_n(body[:imbalance_g_mm], @lathe.rpm) / borne
      end

      # { knocks_per_s:, turns_per_s:, ring_hz:, cutting: }, for the ear.
      def heard
        {
          turns_per_s: @lathe.rpm / 60.0,
          knocks_per_s: turning? ? body[:gaps] * @lathe.rpm / 60.0 : 0.0,
          ring_hz: body && (Table["rehearsal"]["ring"]["hz_at_kg"] / Math.cbrt([body[:mass_g], 1.0].max / 1000)),
          cutting: cutting?
        }
      end

      # Share of a turn that is air where the most of it is.
      def air_share = body ? body[:air_share] : 0.0
      def mass_g = body && body[:mass_g]

      # What comes off: wet_chips, chips, dust or melt; nil where nothing is cut.
      def comes_off
        return unless cutting?

        material = @lathe.blank.material
        return heat_passed? ? "melt" : "chips" if material.soft_from_c
        return "dust" if region[:kind].to_s.start_with?("soft")

        material.moisture_pct.to_f > Table["rehearsal"]["wet_from_pct"] ? "wet_chips" : "chips"
      end

      # Fibres torn: soft wood that is cut heavier than planned, or across what was not hardened.
      def torn? = cutting? && comes_off == "dust"

      private

      def turning? = @lathe.rpm.positive? && !body.nil?
      def cutting? = turning? && @lathe.taken.any?(&:positive?)
      def region = @lathe.regions[@lathe.region || 0]

      def body
        return @body if defined?(@body)

        step = @lathe.step
        turned = step&.stages&.any? && step.mass_g
        @body = turned ? @lathe.setting.body(step, @lathe.stage, @lathe.situation) : nil
      end

      def heat_passed?
        speed = Turn::Heat.surface_m_s(@lathe.blank.material) or return false
        RimSpeed.rpm(speed, 2 * region[:largest_mm]) < @lathe.rpm
      end

      def of_shares
        row = Table["rehearsal"]["signs"]
        @lathe
          .shares
          .select { |_, share| share.between?(row["from"], 1.0) }
          .map { |(key, _), share| sign(SIGNS.fetch(key), share >= row["clear_from"] ? "clear" : "faint", key) }
      end

      def of_bodies
        return [] unless cutting? && region

        stones, hollows = Cut.new(@lathe, region).near(@lathe.met, @lathe.taken[@lathe.region])
        [
          *(stones ? [sign("grit", "clear", "stone_struck")] : []),
          *(hollows ? [sign("sounds_hollow", "faint", "opens_void")] : [])
        ]
      end

      def sign(key, level, warns_of) = { key: key, level: level, warns_of: warns_of }
    end
  end
end
