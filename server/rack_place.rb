# frozen_string_literal: true

module Loft
  # One blank as it stands on the rack: silhouette, readiness, wait.
  class RackPlace
    DAY_S = 86_400.0

    # row: of the blanks table. now: Time.
    def initialize(row, now)
      @row = row
      @now = now
    end

    def to_h
      { id: @row[:id], number: @row[:number], name: @row[:name], version: @row[:version],
        silhouette: silhouette, becomes: becomes, ready: @row[:ready] || wait_over?, note: @row[:note], wait: wait }
    end

    private

    def wait_over? = !@row[:wait_ends_at].nil? && @row[:wait_ends_at] <= @now

    def wait
      started, ends = @row.values_at(:wait_started_at, :wait_ends_at)
      return if ends.nil? || wait_over?

      whole = ends - started
      { started_at: started.utc.iso8601, likely_end_at: ends.utc.iso8601, days_left: (ends - @now) / DAY_S,
        share_done: whole.zero? ? 1.0 : ((@now - started) / whole).clamp(0, 1) }
    end

    # Outside of the form, drawn fine.
    def becomes
      @row[:outside] && MossyAnvil::Profile.new(@row[:outside].map(&:to_a), curve: @row[:curve]).polyline(steps: 6)
    end

    # Outline seen from the side, as [z, half height].
    def silhouette
      case @row[:shape_type]
      when "outline" then @row[:stations].map { |station| [station["z_mm"], station["radii_mm"].max] }
      else [0, @row[:length_mm]].map { |z_mm| [z_mm, (@row[:diameter_mm] || @row[:height_mm]) / 2] }
      end
    end
  end
end
