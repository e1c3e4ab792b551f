# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A plan played on one truth: an event wherever what is done at a step passes what the wood takes there.
    class Play
      # outcome: lost, mended or ugly; energy_j: of what is thrown, 0 where nothing is; row: of the table of events.
      Event = Struct.new(:step, :key, :outcome, :energy_j, :row, keyword_init: true) { def lost? = outcome == "lost" }

      # Of the radius: where the mass of a disc turns. Of the mass: what breaks out of a rim at once.
      DISC = Math.sqrt(0.5)
      WALL_SHARE = 0.1

      # meets: list of Meets::Step.
      def initialize(meets)
        @meets = meets
        @table = Table["odds"]
      end

      # List of Event, in order, up to the one it is lost by. pace: { step id => share of the planned speed }.
      def events(pace: {})
        @meets.each_with_object([]) do |met, list|
          happens(met, met.step.rpm * pace.fetch(met.step.id, 1.0)).each do |event|
            list << event
            return list if event.lost?
          end
        end
      end

      private

      def happens(met, rpm)
        gone = { "splits" => over?(rpm, met.splits_rpm), "crack_runs" => over?(rpm, met.runs_rpm) }
        gone["leaves_mount"] = leaves?(met)
        gone["wall_breaks"] = wall_breaks?(met)
        [
          *gone.select { |_, so| so }.keys.map { |key| event(met.step, key, rpm) },
          *met.loose.select { |piece| over?(rpm, piece.holds_rpm) }.map { |piece| flies(met.step, piece, rpm) },
          *met.stones.map { event(met.step, "stone_struck", rpm) },
          *met.opens.map { |size_mm| opened(met.step, size_mm) },
          *(checks?(met) ? [event(met.step, "new_check", 0)] : [])
        ]
      end

      def over?(rpm, limit) = rpm.positive? && !limit.nil? && rpm > limit
      def checks?(met) = !met.check_share.nil? && met.check_share > @table["check_over"]
      # What a wall and a mount are reckoned to bear has its reserve taken off already.
      def wall_breaks?(met) = !met.wall_share.nil? && met.step.wall_use > Solid::WallForce::RESERVE * met.wall_share

      def leaves?(met)
        return false unless met.mount_share

        met.step.mount[:margin] * reserve(met.step.mount[:key]) * met.mount_share < 1
      end

      def reserve(key)
        mounts = Table["mounts"]
        return mounts["vacuum"]["reserve"] if key == "vacuum"

        Table.row("mounts", key).fetch("reserve", mounts["screws"]["reserve"])
      end

      def event(step, key, rpm, energy_j: nil)
        row = @table["events"].fetch(key)
        Event.new(
          step: step.id,
          key: key,
          outcome: row["then"],
          energy_j: energy_j || thrown_j(step, row["throws"], rpm),
          row: row
        )
      end

      def flies(step, piece, rpm)
        energy_j = Turn::LoosePiece.throw_energy_j(piece.mass_g, piece.radius_mm, rpm)
        event(step, piece.glued ? "comes_loose" : "piece_flies", rpm, energy_j: energy_j)
      end

      def opened(step, size_mm)
        event(step, "opens_void", 0).tap { |one| one.outcome = "ugly" if size_mm < @table["ugly_under_mm"] }
      end

      # J of what flies, its way and its spin together: a disc's or half of one's, or a piece of the wall at the rim.
      def thrown_j(step, throws, rpm)
        return 0.0 unless throws && throws != "piece"

        radius_mm = step.blank.form ? step.blank.form.outside.largest_mm : step.blank.shape.max_radius_mm
        share, at = { "half" => [0.5, DISC], "whole" => [1.0, DISC], "wall" => [WALL_SHARE, 1.0] }.fetch(throws)
        Turn::LoosePiece.throw_energy_j(step.mass_g * share, radius_mm * at, rpm)
      end
    end
  end
end
