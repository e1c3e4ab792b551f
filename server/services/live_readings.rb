# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What instruments say now, for all in this process that watch: the database is asked once for all of them.
      class LiveReadings
        # No answer is older.
        FRESH_S = 0.03

        # store: Store::Instruments.
        def initialize(store)
          @store = store
          @lock = Mutex.new
          @read_s = -Float::INFINITY
        end

        # List of plain data, one of each probe. state: "now"; "lost" where nothing has come for a while, "doubtful"
        # where it leapt, both without a value.
        def list
          @lock.synchronize do
            clock_s = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)
            if clock_s - @read_s > FRESH_S
              @list = @store.now.map { |row| told(row) }
              @read_s = clock_s
            end
            @list
          end
        end

        private

        def told(row)
          instrument = MossyAnvil::Model::Instrument.of(row[:key])
          # A sound is of the moment it was made, and no less true for that.
          state = instrument.sound? ? "now" : state(row)
          {
            key: row[:key],
            spot: row[:spot],
            unit: instrument.unit,
            state: state,
            value: (row[:value] if state == "now"),
            at: row[:measured_at].iso8601(3),
            alarm: (row[:alarm] if state == "now"),
            **row[:about].transform_keys(&:to_sym)
          }
        end

        def state(row)
          return "lost" if MossyAnvil::Model::Instrument.lost?(row[:age_s])

          row[:doubtful] ? "doubtful" : "now"
        end
      end
    end
  end
end
