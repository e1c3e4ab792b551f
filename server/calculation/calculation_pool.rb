# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Calculation
      # Processes that do nothing but calculate, apart from those that answer requests (docs/decisions/13).
      #
      # All of them accept from one listening socket, so whoever asks first is served first. Each is given a processor
      # time and a memory that it cannot go beyond: the kernel ends it, and a new one is forked in its place. So nothing
      # that is asked can hang or swell the server.
      class CalculationPool
        SECONDS = Integer(ENV.fetch("CALCULATION_SECONDS", "3"))
        # What is asked of a rehearsal may take twice as long: the first time a whole route is worked out for it.
        LONGER = %w[rehearsal rehearsed rehearsal_act].freeze
        # Of writable memory; with what the processes share a process stays under 400 MB.
        MOST_BYTES = 340_000_000
        # One that has grown so far is replaced after its answer, before the next question needs the room.
        RETIRE_BYTES = 220_000_000
        # A question whose asker has gone is stopped after so long; one that is shorter ends anyway, and what it has
        # learnt is of use to the next.
        LEFT_AFTER_S = 1.0
        BACKLOG = 1024
        SHORT_LIFE_S = 0.2

        # Of processor time, by what is asked.
        def self.seconds(asked) = SECONDS * (LONGER.include?(asked) ? 2 : 1)

        # path: of the socket. size: processes. answer: callable that takes a question's data and bytes and gives an
        # Answer's.
        def initialize(path, size:, answer: Calculations.method(:answer))
          @path = path
          @size = size
          @answer = answer
          @children = {}
        end

        # Runs until it is told TERM or INT; then what is in hand is ended first.
        def run
          File.delete(@path) if File.socket?(@path)
          @server = UNIXServer.new(@path)
          @server.listen(BACKLOG)
          %w[TERM INT].each { |signal| Signal.trap(signal) { stop } }
          until @stopping && @children.empty?
            start while @children.size < @size && !@stopping
            ended(::Process.wait)
          end
        end

        private

        # One that ends at once, whatever keeps it from working, must not be forked as fast as it can be.
        def ended(pid)
          sleep SHORT_LIFE_S if now - @children.delete(pid) < SHORT_LIFE_S
        end

        def now = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

        # Nobody connects any more; whoever waits for a turn sees the connection end and asks again.
        def stop
          @stopping = true
          File.delete(@path) if File.socket?(@path)
          @children.each_key { |pid| tell(pid) }
        end

        def tell(pid)
          ::Process.kill("TERM", pid)
        rescue Errno::ESRCH
          nil # It has ended by itself.
        end

        def start
          pid = fork { work }
          @children[pid] = now
          # Told to stop in between, when nobody knew of it yet.
          tell(pid) if @stopping
        end

        # In the new process, which is told to stop as this one is until it listens itself.
        def work
          process = CalculationProcess.new(@server, @answer).tap(&:listen)
          process.run unless @stopping
        ensure
          exit!(1)
        end
      end

      # One of them.
      class CalculationProcess
        def initialize(server, answer)
          @server = server
          @answer = answer
        end

        # To whoever tells it to end.
        def listen
          Signal.trap("TERM") { @ending = true }
          Signal.trap("INT", "IGNORE")
        end

        # Ends when it is told to, when it has grown too large, or when its parent has gone.
        def run
          parent = ::Process.ppid
          ::Process.setrlimit(:CORE, 0)
          ::Process.setrlimit(:DATA, CalculationPool::MOST_BYTES)
          while !@ending && ::Process.ppid == parent && HeldMemory.bytes < CalculationPool::RETIRE_BYTES
            next unless @server.wait_readable(1)

            socket = @server.accept_nonblock(exception: false)
            serve(socket) unless socket == :wait_readable
          end
        end

        private

        # An asker that goes in the middle is nobody's fault.
        def serve(socket)
          question, bytes = Frame.read(socket)
          return if left?(socket)

          Frame.write(socket, "state" => "begun")
          limit_processor_time(question["question"])
          watch = stop_when_left(socket)
          Frame.write(socket, *@answer.call(question, bytes))
        rescue EOFError, SystemCallError
          nil
        ensure
          watch&.kill
          socket.close
        end

        def left?(socket) =
          socket.recv_nonblock(1, Socket::MSG_PEEK, exception: false).then { |seen| seen.nil? || seen == "" }

        # The kernel counts in whole seconds of all that this process has used so far.
        def limit_processor_time(asked)
          used = ::Process.clock_gettime(::Process::CLOCK_PROCESS_CPUTIME_ID)
          ::Process.setrlimit(:CPU, (used + CalculationPool.seconds(asked)).ceil, ::Process::RLIM_INFINITY)
        end

        def stop_when_left(socket)
          Thread.new do
            sleep CalculationPool::LEFT_AFTER_S
            sleep 0.2 until left?(socket)
            exit!(0)
          rescue IOError, SystemCallError
            nil
          end
        end
      end
    end
  end
end
