# frozen_string_literal: true

require "time"

module MossyAnvil
  module Shop
    # How long what is opened keeps. Source: core/data/shelf_life.yaml.
    module ShelfLife
      # Told so many days before.
      SOON_DAYS = 30

      module_function

      # The day it goes off, a Date; nil for what keeps. kind: table; like: row of it; opened_on: Date.
      def goes_off_on(kind, like, opened_on)
        row = Table.rows("shelf_life").find { |one| one["key"] == kind }
        row && opened_on && (opened_on >> row.fetch("by", {}).fetch(like, row["months"]))
      end

      # "off", "soon" or nil, on a day.
      def state(goes_off_on, today)
        return unless goes_off_on

        goes_off_on <= today ? "off" : ("soon" if goes_off_on - today <= SOON_DAYS)
      end
    end
  end
end
