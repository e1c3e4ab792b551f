# frozen_string_literal: true

module MossyAnvil
  module Server
    # The file that the lines of the server's programs go to. Only its owner reads it.
    class LogFile
      LARGE_BYTES = 10_000_000
      MODE = 0o600

      def initialize(path)
        @path = path
      end

      # Begins a new one where it has grown large; the one before it is kept beside.
      def turn_over
        FileUtils.mkdir_p(File.dirname(@path))
        File.rename(@path, "#{@path}.1") if File.exist?(@path) && File.size(@path) > LARGE_BYTES
        File.open(@path, "a", MODE).close
        [@path, "#{@path}.1"].each { |path| File.chmod(MODE, path) if File.exist?(path) }
      end

      # For a program that is started, as ::Process.spawn wants it.
      def target = [@path, "a", MODE]

      def last_words = File.exist?(@path) ? File.readlines(@path).last(12).join : ""
    end
  end
end
