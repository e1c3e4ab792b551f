# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Keeps what is left to do of each blank up to date: worked out when somebody looks at the board, as much of it as
      # fits into a short time, the rest when the board is asked again.
      class WorkPlanning
        AT_ONCE_S = 0.8

        # plans: Store::WorkPlans. climate: { temperature_c:, humidity: }; own: the shop's own numbers. now: Time.
        # The block is given the id of a blank and gives its plan, plain data.
        def initialize(plans, climate:, own:, now:, &work_out)
          @plans = plans
          @rest = [*climate.values, Digest::SHA256.hexdigest(JSON.generate(own))[0, 16], now.getlocal.to_date.iso8601]
          @now = now
          @work_out = work_out
        end

        # Rows as Store::WorkPlans#rack has them, without those that nothing was worked out of since they were changed,
        # and how many are still to be worked out. Those come first; what is of yesterday, or of another air, is shown
        # until it is worked out again.
        def up_to_date
          begun = clock
          stale = @plans.rack.reject { |row| row[:made_for] == mark(row) }
          stale = stale.sort_by { |row| [current?(row) ? 1 : 0, row[:id]] }
          work_out(stale.shift) while stale.any? && clock - begun < AT_ONCE_S
          [@plans.rack.select { |row| current?(row) }, stale.size]
        end

        private

        def clock = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

        # What a plan follows from: the blank as it is kept, then the shop's air, own records and tools, and the day.
        def mark(row) = [content(row), *@rest].join(" ")
        def content(row) = row.values_at(:version, :readings).join("-")
        def current?(row) = !row[:made_for].nil? && row[:made_for].start_with?("#{content(row)} ")

        def work_out(row) = @plans.keep(row[:id], mark(row), @work_out.call(row[:id]), @now)
      end
    end
  end
end
