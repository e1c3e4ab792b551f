# frozen_string_literal: true

require "icalendar"

module MossyAnvil
  module Server
    module Prints
      # The waits as a calendar: one event each, at its likely end, with an alarm; and the days that pieces are due.
      class Calendar
        # waits: rows with number and name; drying: rows of blanks that dry; due: of those somebody waits for. shop: its
        # name. now: Time.
        def initialize(waits, drying, due, shop:, now:)
          @waits = waits
          @drying = drying
          @due = due
          @shop = shop
          @now = now
        end

        # Text of the file (RFC 5545).
        def text
          calendar = Icalendar::Calendar.new
          calendar.prodid = "-//Mossy Anvil//Waits//EN"
          calendar.append_custom_property("X-WR-CALNAME", plain(Texts.t("calendar.name", shop: @shop)))
          @waits.each { |wait| add_wait(calendar, wait) }
          @drying.each { |row| add_drying(calendar, row) }
          @due.each { |row| add_day(calendar, row) }
          calendar.publish
          calendar.to_ical
        end

        private

        def title(row) = row[:number] ? Texts.t("calendar.piece", number: row[:number], name: row[:name]) : row[:name]

        def add_wait(calendar, wait)
          over = Texts.t(wait[:unlocks] ? "unlocks.#{wait[:unlocks]}" : "calendar.time_is_up")
          summary = Texts.t("calendar.wait", piece: title(wait), what: over)
          add(calendar, "wait-#{wait[:id]}", wait[:earliest_at], wait[:likely_at], summary, Texts.of(wait[:message]))
        end

        def add_drying(calendar, row)
          earliest = row[:wait_earliest_at] || row[:wait_ends_at]
          summary = Texts.t("calendar.dry", piece: title(row))
          add(calendar, "drying-#{row[:id]}", earliest, row[:wait_ends_at], summary, Texts.t("calendar.by_curve"))
        end

        def add(calendar, uid, earliest, likely, summary, description)
          calendar.event do |event|
            event.uid = "#{uid}@mossy-anvil"
            event.dtstamp = stamp(@now)
            event.dtstart = stamp(likely)
            event.dtend = stamp(likely + 900)
            event.summary = plain(summary)
            event.description =
              plain(
                Texts.t("calendar.earliest", description: description, time: earliest.utc.strftime("%Y-%m-%d %H:%M"))
              )
            event.alarm do |alarm|
              alarm.action, alarm.description, alarm.trigger = "DISPLAY", plain(summary), stamp(likely)
            end
          end
        end

        # A whole day, without an alarm.
        def add_day(calendar, row)
          calendar.event do |event|
            event.uid = "due-#{row[:id]}@mossy-anvil"
            event.dtstamp = stamp(@now)
            event.dtstart = Icalendar::Values::Date.new(row[:due_on])
            event.dtend = Icalendar::Values::Date.new(row[:due_on] + 1)
            event.summary = plain(Texts.t("calendar.due", piece: title(row)))
            event.description = plain(row[:asked_for]) if row[:asked_for]
          end
        end

        # On one line: a line end by itself would break the file's own.
        def plain(text) = text.gsub(/[[:cntrl:]]+/, " ")

        def stamp(time) = Icalendar::Values::DateTime.new(time.utc, "tzid" => "UTC")
      end
    end
  end
end
