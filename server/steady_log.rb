# frozen_string_literal: true

module MossyAnvil
  module Server
    # Where lines of the log go. What cannot be written (a full disk, a terminal that went away) is dropped and counted,
    # and said once there is room again:
    # a log must never make fail what it is about. Can stand for $stdout and $stderr.
    class SteadyLog
      # It keeps nothing back: as an IO says it.
      attr_reader :sync

      # io: anything that answers #write.
      def initialize(io)
        @io = io
        @sync = true
        @dropped = 0
        @lock = Mutex.new
      end

      def <<(line)
        write(line)
        self
      end

      def write(*parts)
        @lock.synchronize do
          if @dropped.positive?
            put("#{JSON.generate(event: "lines_dropped", lines: @dropped)}\n")
            @dropped = 0
          end
          parts.each { |part| put(part.to_s) }
        rescue SystemCallError, IOError
          @dropped += 1
        end
        parts.sum { |part| part.to_s.bytesize }
      end

      def puts(*lines)
        write(*(lines.empty? ? ["\n"] : lines.flatten.map { |line| "#{line.to_s.chomp}\n" }))
        nil
      end

      def print(*parts) = write(*parts) && nil
      def flush = self
      def close = nil
      def tty? = @io.respond_to?(:tty?) && @io.tty?
      alias isatty tty?

      # It never keeps anything back, whatever is wished.
      def sync=(_wished)
      end

      private

      # Past Ruby's buffer, which would keep what could not be written and fail again with it.
      def put(text) = @io.respond_to?(:syswrite) && !@io.is_a?(StringIO) ? @io.syswrite(text) : @io.write(text)
    end
  end
end
