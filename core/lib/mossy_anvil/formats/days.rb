# frozen_string_literal: true

require "time"

module MossyAnvil
  module Formats
    # Days and times as files and forms write them. Written well, a day may still be none: 31 February, the year 0, or
    # half past 27.
    module Days
      YEARS = 1..9999

      module_function

      # text: "2030-05-01" and whatever follows.
      def day?(text) =
        text[0, 10]
          .split("-")
          .map(&:to_i)
          .then { |parts| parts.size == 3 && YEARS.cover?(parts[0]) && Date.valid_date?(*parts) }

      # text: "2030-05-01T09:30Z", with or without seconds, in any zone.
      def time?(text)
        day?(text) && YEARS.cover?(Time.iso8601(text.sub(/T(\d\d:\d\d)([Z+-])/, 'T\1:00\2')).utc.year)
      rescue ArgumentError
        false
      end
    end
  end
end
