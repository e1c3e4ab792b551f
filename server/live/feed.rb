# frozen_string_literal: true

module MossyAnvil
  module Server
    module Live
      # Word of every change of what is kept, whichever process or host made it, for all in this process that listen:
      # one connection listens to the database (see migration 025), and each that is told has a thread of its own, so
      # that a slow one holds up nobody.
      class Feed
        # So often something is sent to see who is still there.
        BEAT_S = 15
        # As many as may listen in one process; who comes later is refused.
        MOST = 200
        # Whoever is behind by so many is let go: it comes back by itself, and asks for everything anew.
        MOST_BEHIND = 100
        REST_S = 1
        ALL = JSON.generate(what: "all", blank: nil)

        def initialize(db)
          @db = db
          @lock = Mutex.new
          @queues = []
          @listening = false
        end

        # Tells a socket from now on, until it is gone; first that everything may have changed since it last heard, as
        # soon as nothing can be missed any more. Closes it in the end. longest_s: then it is let go, and proves itself
        # anew.
        def tell(socket, longest_s:)
          queue = Thread::SizedQueue.new(MOST_BEHIND)
          join(queue)
          Thread.new do
            Thread.current.report_on_exception = false
            write(socket, queue, now_s + longest_s)
          ensure
            @lock.synchronize { @queues.delete(queue) }
            socket.close
          end
        end

        def full? = @lock.synchronize { @queues.size >= MOST }

        private

        def join(queue)
          @lock.synchronize do
            @queues << queue
            queue << ALL if @listening
            @listener = Thread.new { listen } unless @listener&.alive?
          end
        end

        def write(socket, queue, until_s)
          while now_s < until_s
            word = queue.pop or break
            socket.write(word == :beat ? ":\n\n" : "data: #{word}\n\n")
            socket.flush
          end
        rescue SystemCallError, IOError
          # It has gone away.
          nil
        end

        # As long as anybody is there. After the database was away something may have been missed.
        def listen
          catch(:nobody) do
            loop do
              hear
            rescue Sequel::Error
              @lock.synchronize { @listening = false }
              sleep REST_S
            end
          end
        end

        def hear
          @db.listen("changes", after_listen: ->(_) { ready }, loop: ->(_) { beat }, timeout: BEAT_S) do |_, _, word|
            pass(word)
          end
        end

        # From here on the database's words come.
        def ready
          @lock.synchronize do
            @listening = true
            @queues.each { |queue| push(queue, ALL) }
          end
        end

        def beat
          pass(:beat)
          @lock.synchronize do
            next if @queues.any?

            @listener = nil
            @listening = false
            throw(:nobody)
          end
        end

        def pass(word) = @lock.synchronize { @queues.dup }.each { |queue| push(queue, word) }

        def push(queue, word)
          queue.push(word, true)
        rescue ThreadError
          queue.clear
          queue << nil
        end

        def now_s = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)
      end
    end
  end
end
