# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Between times and minutes as the core counts them: of this place's own clock, from the midnight of the Monday
      # before. A day has as many hours as its date says, also where the clocks change.
      class ShopClock
        DAY_MIN = MossyAnvil::Shop::WorkingHours::DAY_MIN

        # now: Time.
        def initialize(now)
          @now = now.getlocal
          @monday = @now.to_date - ((@now.wday + 6) % 7)
        end

        def now_min = minute(@now)

        # Of a Time.
        def minute(time)
          local = time.getlocal
          ((local.to_date - @monday).to_i * DAY_MIN) + (local.hour * 60) + local.min
        end

        # The end of a Date.
        def end_of(date) = ((date - @monday).to_i + 1) * DAY_MIN

        # Time of a minute.
        def time(minute)
          day = @monday + (minute / DAY_MIN)
          Time.local(day.year, day.month, day.day, *(minute % DAY_MIN).divmod(60))
        end

        def text(minute) = minute && time(minute).iso8601
        def today = @now.to_date
        def day_of(minute) = @monday + (minute / DAY_MIN)
      end
    end
  end
end
