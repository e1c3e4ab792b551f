# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What happens at one step of a plan on one truth: an event wherever what is done passes what the wood takes there.
    class Hazards
      # key: of the table of events; of: id of what it happens to, nil for the whole. outcome: lost, mended or ugly;
      # energy_j: of what is thrown, 0 where nothing is; row: of the table.
      Event =
        Struct.new(:step, :key, :of, :outcome, :energy_j, :row, keyword_init: true) { def lost? = outcome == "lost" }

      # Of the radius: where the mass of a disc turns. Of the mass: what breaks out of a rim at once.
      DISC = Math.sqrt(0.5)
      WALL_SHARE = 0.1

      # met: Meets::Step; rpm: it turns at.
      def initialize(met, rpm)
        @met = met
        @step = met.step
        @rpm = rpm
        @table = Table["odds"]
      end

      # List of Event, as the whole step is done by the plan.
      def all = [*at_speed, *at_cut(push: 1.0, wall_use: @step.wall_use), *within, *while_waiting]

      # Shares of what ends it that the speed comes to, { [event key, id or nil] => share }.
      def speed_shares
        whole = { ["splits", nil] => @met.splits_rpm, ["crack_runs", nil] => @met.runs_rpm }
        loose = @met.loose.to_h { |piece| [[loose_key(piece), piece.id], piece.holds_rpm] }
        joints = @met.joints.to_h { |joint| [["glue_opens", joint.id], joint.opens_rpm] }
        whole.merge(loose, joints).compact.transform_values { |limit| limit.zero? ? Float::INFINITY : @rpm / limit }
      end

      # The same of a cut: push, over the force that is planned; wall_use: force over what the wall was said to bear.
      def cut_shares(push:, wall_use:)
        wall = wall_use && @met.wall_share && share(wall_use, Solid::WallForce::RESERVE * @met.wall_share)
        mount = @met.mount_share && share(push, @step.mount[:margin] * reserve(@step.mount[:key]) * @met.mount_share)
        { ["leaves_mount", nil] => mount, ["wall_breaks", nil] => wall }.compact
      end

      def at_speed
        return [] unless @rpm.positive?

        passed(speed_shares)
      end

      def at_cut(**cut) = passed(cut_shares(**cut))

      # Events of shares that are over one.
      def passed(shares) = shares.select { |_, share| share > 1 }.keys.map { |key, id| event(key, of: id) }

      # What lies within and is come to, stones and hollows alike.
      def within = @met.stones.map { |body| struck(body) } + @met.opens.map { |body| opened(body) }
      def struck(body) = event("stone_struck", of: body.id)

      def opened(body)
        event("opens_void", of: body.id, rpm: 0).tap do |one|
          one.outcome = "ugly" if body.size_mm.max < @table["ugly_under_mm"]
        end
      end

      # While it dries and while it cures.
      def while_waiting
        { "new_check" => checks?, "foams" => foams?, "overheats" => overheats? }.select { |_, so| so }
          .keys
          .map { |key| event(key, rpm: 0) }
      end

      private

      def checks? = !@met.check_share.nil? && @met.check_share > @table["check_over"]
      def foams? = !@met.over_gate_points.nil? && @met.over_gate_points > @table["foams_over_points"]
      def overheats? = !@met.peak_c.nil? && @met.peak_c > Mend::CureKinetics.table["peaks_c"]["care"]
      def share(done, borne) = borne.positive? ? done / borne : Float::INFINITY
      def loose_key(piece) = piece.glued ? "comes_loose" : "piece_flies"

      # What a wall and a mount are reckoned to bear has its reserve taken off already.
      def reserve(key)
        mounts = Table["mounts"]
        return mounts["vacuum"]["reserve"] if key == "vacuum"

        Table.row("mounts", key).fetch("reserve", mounts["screws"]["reserve"])
      end

      def event(key, of: nil, rpm: @rpm)
        row = @table["events"].fetch(key)
        Event.new(step: @step.id, key: key, of: of, outcome: row["then"], energy_j: thrown_j(row, of, rpm), row: row)
      end

      # J of what flies, its way and its spin together: a disc's or half of one's, a piece of the wall at the rim, or
      # the loose piece.
      def thrown_j(row, id, rpm)
        return 0.0 unless row["throws"]
        return piece_j(@met.loose.find { |piece| piece.id == id }, rpm) if row["throws"] == "piece"

        radius_mm = @step.blank.form ? @step.blank.form.outside.largest_mm : @step.blank.shape.max_radius_mm
        share, at = { "half" => [0.5, DISC], "whole" => [1.0, DISC], "wall" => [WALL_SHARE, 1.0] }.fetch(row["throws"])
        Turn::LoosePiece.throw_energy_j(@step.mass_g * share, radius_mm * at, rpm)
      end

      def piece_j(piece, rpm) = Turn::LoosePiece.throw_energy_j(piece.mass_g, piece.radius_mm, rpm)
    end
  end
end
