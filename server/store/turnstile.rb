# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Lets no more threads at the connections than there are. Threads that wait for one within Sequel's own pool wake
      # each other by the clock: on Ruby 3.1 sixteen threads at eight connections take some 25 times the processor time
      # for each question that eight threads take. Waiting in a queue costs next to nothing.
      # Prepended to the pool of a database.
      class Turnstile < Module
        # So many may wait; who comes then is told at once that there is too much to do. Each question ends by itself
        # (statement_timeout), so that the queue goes on.
        MOST_WAITING = 500

        def initialize(connections)
          super()
          free = Thread::Queue.new
          connections.times { free << true }
          mark = :"connection_#{object_id}"
          define_method(:hold) do |*server, &block|
            # A thread that has one goes on with it.
            next super(*server, &block) if Thread.current.thread_variable_get(mark)

            Turnstile.through(free, mark) { super(*server, &block) }
          end
        end

        # free: as many as there are places left; mark: by which a thread knows that it has one.
        def self.through(free, mark)
          raise Sequel::PoolTimeout, "#{MOST_WAITING} wait for a connection" if free.num_waiting >= MOST_WAITING

          place = free.pop
          Thread.current.thread_variable_set(mark, true)
          yield
        ensure
          if place
            Thread.current.thread_variable_set(mark, nil)
            free << place
          end
        end
      end
    end
  end
end
