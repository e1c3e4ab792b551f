# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Calculation
      # Asks the CalculationPool. Waiting for it takes a thread and no processor.
      class Calculator
        # So long a question may wait for its turn and its answer together, and so many of one process may wait at once.
        WAIT_S = 30
        MOST_WAITING = 48
        TICK_S = 0.25
        # So long the pool may take to come back.
        RETURN_S = 5

        # The asker went away before the answer came.
        class Left < MossyAnvil::Error
        end

        # More processor time or memory was needed than a question may have.
        class TooCostly < MossyAnvil::Error
          # asked: name of the question.
          def initialize(asked)
            super(
              Problems.text(
                "too_costly.detail",
                seconds: CalculationPool.seconds(asked),
                megabytes: CalculationPool::MOST_BYTES / 1_000_000
              )
            )
          end
        end

        # status and media type of an answer, its bytes, and what is said beside them (string-keyed).
        Answer =
          Struct.new(:status, :type, :bytes, :about) do
            def data = JSON.parse(bytes)
            def good? = status < 400
          end

        # path: of the pool's socket.
        def initialize(path)
          @path = path
          @waiting = 0
          @lock = Mutex.new
        end

        # Answer to a question (see Calculations). given: plain data; bytes: of the request, as Frame takes them; left:
        # callable, has the asker gone? Raises Busy, Left, TooCostly.
        def ask(question, given = {}, bytes = "", left: -> { false })
          message = { question: question, given: given }
          one_more { Turn.new(@path, now + WAIT_S, left).answer(message, bytes) }
        end

        private

        def now = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

        def one_more
          @lock.synchronize do
            full = @waiting >= MOST_WAITING
            raise Busy, Problems.text("refused.so_many_wait_already", most: MOST_WAITING) if full

            @waiting += 1
          end
          begin
            yield
          ensure
            @lock.synchronize { @waiting -= 1 }
          end
        end

        # One question on its way. A process that ends before it has begun was replaced, and the question goes to the
        # next; one that ends in the middle has used up what it may have, or was ended by somebody: once more, and it is
        # given up.
        class Turn
          MOST_BEGUN = 2

          def initialize(path, deadline, left)
            @path = path
            @deadline = deadline
            @left = left
            @begun = 0
          end

          def answer(message, bytes)
            found = attempt(message, bytes) until found
            found
          end

          private

          def now = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

          def attempt(message, bytes)
            socket = connected
            Frame.write(socket, message, bytes)
            received(socket)
            @begun += 1
            begun_at = now
            about, found = received(socket)
            Answer.new(about["status"], about["type"], found, about)
          rescue EOFError, SystemCallError
            raise TooCostly, message[:question] if begun_at && given_up?(begun_at)
          ensure
            socket&.close
          end

          def given_up?(begun_at) = @begun >= MOST_BEGUN || now - begun_at > CalculationPool::SECONDS / 2.0

          def connected
            back_by = [@deadline, now + RETURN_S].min
            begin
              UNIXSocket.new(@path)
            rescue SystemCallError
              raise Busy, Problems.text("refused.the_processes_that_calculate_are_starting_again") if now > back_by

              sleep 0.05
              retry
            end
          end

          def received(socket)
            until socket.wait_readable(TICK_S)
              raise Left, "nobody waits for this any more" if @left.call
              raise Busy, Problems.text("refused.more_is_being_calculated_than_this_machine") if now > @deadline
            end
            Frame.read(socket)
          end
        end

        # The same within this process: for tests, and for what is no request.
        class Here
          def ask(question, given = {}, bytes = "", **)
            about, found =
              Calculations.answer(
                JSON.parse(JSON.generate("question" => question, "given" => given)),
                bytes.is_a?(String) ? bytes : bytes.read
              )
            about = JSON.parse(JSON.generate(about))
            Answer.new(about["status"], about["type"], found, about)
          end
        end
      end
    end
  end
end
