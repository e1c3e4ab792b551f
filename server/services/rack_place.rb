# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # One blank as it stands on the rack: silhouette, readiness, wait.
      class RackPlace
        DAY_S = 86_400.0

        # row: of the blanks table. now: Time. waits: those under way on its card.
        def initialize(row, now, waits: [])
          @row = row
          @now = now
          @carded = waits.reject { |wait| wait[:working] }.max_by { |wait| wait[:likely_at] }
        end

        def to_h
          {
            id: @row[:id],
            number: @row[:number],
            name: @row[:name],
            version: @row[:version],
            silhouette: silhouette,
            becomes: becomes,
            ready: @carded ? wait.nil? : @row[:ready] || wait_over?,
            note: @row[:note],
            state: @carded ? "on_card" : @row[:state],
            late_days: late_days,
            wait: wait
          }
        end

        private

        # What it waits for on its card comes before what it dries for.
        def wait_times =
          if @carded
            @carded.values_at(:started_at, :earliest_at, :likely_at)
          else
            @row.values_at(:wait_started_at, :wait_earliest_at, :wait_ends_at)
          end
        def wait_over? = !wait_times.last.nil? && wait_times.last <= @now

        # Whole days since the end of a wait after which nothing was done; nil where it is not over for a day.
        def late_days
          return unless wait_over?

          days = ((@now - wait_times.last) / DAY_S).floor
          days if days.positive?
        end

        def wait
          started, earliest, likely = wait_times
          earliest ||= likely
          return if likely.nil? || wait_over?

          {
            started_at: started.utc.iso8601,
            likely_end_at: likely.utc.iso8601,
            days_left: (likely - @now) / DAY_S,
            share_done:
              MossyAnvil::Shop::Wait.new(
                started_at: started,
                earliest_at: earliest,
                likely_at: likely,
                cure: false
              ).share_done(@now)
          }
        end

        # Outside of the form, drawn fine.
        def becomes
          @row[:outside] &&
            MossyAnvil::Model::Profile.new(@row[:outside].map(&:to_a), curve: @row[:curve]).polyline(steps: 6)
        end

        # Outline seen from the side, as [z, half height].
        def silhouette
          case @row[:shape_type]
          when "outline"
            @row[:stations].map { |station| [station["z_mm"], station["radii_mm"].max] }
          else
            [0, @row[:length_mm]].map { |z_mm| [z_mm, (@row[:diameter_mm] || @row[:height_mm]) / 2] }
          end
        end
      end
    end
  end
end
