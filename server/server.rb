# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "securerandom"
require "sequel"
require "time"
require "zeitwerk"
require_relative "../core/lib/mossy_anvil"

module MossyAnvil
  # The server: keeps blanks and serves the core's answers. It computes no rule of the job itself.
  module Server
    ROOT = File.expand_path("..", __dir__)

    # Everything but the large and seldom wanted, before the first request needs it.
    def self.load_all = Zeitwerk::Loader.eager_load_all

    # The same for what answers no requests itself, without the routes and all that comes with them.
    def self.load_behind
      MossyAnvil::LOADER.eager_load
      %w[calculation jobs services store].each { |folder| LOADER.eager_load_dir(File.join(__dir__, folder)) }
    end

    # What was asked for is not there.
    class NotFound < MossyAnvil::Error
    end

    # Whoever asks has not the rights for it; the message says what it takes.
    class NotAllowed < MossyAnvil::Error
    end

    # Too much is under way already.
    class Busy < MossyAnvil::Error
    end

    # It was asked to stop.
    class Stopped < MossyAnvil::Error
    end

    # More was sent than is taken.
    class TooLarge < MossyAnvil::Error
    end

    # Something of the same name or number is kept already; the message names the constraint (see Problems::APART).
    class Taken < MossyAnvil::Error
    end

    # Somebody saved in between; #current is the blank as it is kept now, nil where it is of something else.
    class Stale < MossyAnvil::Error
      attr_reader :current

      def initialize(message, current = nil)
        @current = current
        super(message)
      end
    end

    LOADER =
      Zeitwerk::Loader.new.tap do |loader|
        loader.push_dir(__dir__, namespace: self)
        loader.ignore(__FILE__, *%w[entry migrations contract data spec].map { |folder| File.join(__dir__, folder) })
        # The image library and the PDF writer are large and seldom wanted: they come with the first photograph and the
        # first sheet.
        loader.do_not_eager_load(
          "#{__dir__}/prints",
          *%w[picture archive_reader archive_intake].map { |name| "#{__dir__}/services/#{name}.rb" }
        )
        loader.setup
      end
  end
end
