# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Instruments
      # Hears devices over TCP on this machine, each a connection that sends lines (see Line), and keeps what they say.
      # A line that cannot be taken is answered with one that says why; the connection goes on.
      class Listener
        MOST_DEVICES = 32
        # So often what came is written down.
        WRITE_S = 0.02
        THIN_S = 3600

        # store: Store::Instruments. log: takes lines.
        def initialize(store, log:, clock: Time)
          @store = store
          @log = log
          @clock = clock
          @readings = Readings.new
          @lock = Mutex.new
          @devices = 0
        end

        # Takes connections until #stop. port: of loopback.
        def run(port)
          @server = TCPServer.new("127.0.0.1", port)
          writer = Thread.new { write_on }
          loop { hear(@server.accept) }
        rescue IOError, Errno::EBADF
          writer.join
          write(all: true)
        end

        def hears? = !@server.nil?
        def port = @server.addr[1]

        def stop
          @stopping = true
          @server&.close
        end

        private

        def hear(device)
          full = @lock.synchronize { (@devices += 1) > MOST_DEVICES }
          Thread.new do
            full ? reply(device, 0, Problems.text("refused.too_many_devices", most: MOST_DEVICES)) : lines_of(device)
          ensure
            device.close
            @lock.synchronize { @devices -= 1 }
          end
        end

        def lines_of(device)
          number = 0
          while (text = device.gets("\n", Line::MOST_BYTES + 1))
            number += 1
            begin
              take(text)
            rescue MossyAnvil::InvalidInput => e
              reply(device, number, e.faults.first.to_s)
            end
          end
        rescue SystemCallError, IOError
          # The device went away in the middle of a line: nothing of it is taken.
          nil
        end

        def take(text)
          line = Line.new(text)
          @lock.synchronize { @readings.take(line, @clock.now.utc) }
        end

        # What does not read its answers does not hold up its own readings.
        def reply(device, number, problem)
          device.write_nonblock("#{JSON.generate({ line: number, problem: problem })}\n", exception: false)
        end

        def write_on
          thin_at = @clock.now
          until @stopping
            sleep WRITE_S
            write
            next if @clock.now < thin_at

            guarded { @store.thin }
            thin_at = @clock.now + THIN_S
          end
        end

        def write(all: false)
          latest, spans = @lock.synchronize { @readings.unkept(all: all) }
          return if latest.empty? && spans.empty?

          guarded do
            @store.save(latest, spans)
            @lock.synchronize { @readings.kept(latest, spans) }
          end
        end

        # While the database is away what came last is kept here, and written when it is back.
        def guarded
          yield
          @away = false
        rescue Sequel::DatabaseError => e
          @log << RequestLog.line("instruments", @clock.now, {}, error: e.class.name) unless @away
          @away = true
        end
      end
    end
  end
end
