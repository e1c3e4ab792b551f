# frozen_string_literal: true

module MossyAnvil
  module Server
    module Instruments
      # What instruments say, thinned: of every ten seconds how often it was said, the least, the most and the mean.
      class Spans
        LENGTH_S = 10
        # While the database is away so many are kept to be written later: a day of seven instruments.
        MOST_WAITING = 60_000

        def initialize
          @open = {}
          @ended = []
        end

        # reading: MossyAnvil::Model::Instrument::Reading that was believed.
        def add(reading)
          place = [reading.key, reading.spot]
          begins_s = (reading.at_s / LENGTH_S).floor * LENGTH_S
          finish(place) if @open[place] && @open[place][:begins_s] != begins_s
          span = (@open[place] ||= { begins_s: begins_s, values: [] })
          span[:values] << reading.value
        end

        # Rows of those that are over; of all, at the end. They stay until #written.
        def ended(all: false)
          open = all ? @open.keys : []
          open.each { |place| finish(place) }
          @ended.dup
        end

        def written(rows) = @ended.shift(rows.size)

        private

        def finish(place)
          span = @open.delete(place)
          values = span[:values].map(&:to_f)
          @ended << {
            key: place[0],
            spot: place[1],
            begins_at: Time.at(span[:begins_s]).utc,
            count: values.size,
            least: values.min,
            most: values.max,
            # Of many equal ones the sum may come out a little beside them.
            mean: (values.sum / values.size).clamp(*values.minmax)
          }
          @ended.shift if @ended.size > MOST_WAITING
        end
      end
    end
  end
end
