# frozen_string_literal: true

require "fileutils"

module MossyAnvil
  module Server
    module Process
      # The folder that one run of the application keeps its things in: database, backups, log, and a lock.
      class StateFolder
        attr_reader :path

        def initialize
          @path = ENV.fetch("MOSSY_ANVIL_STATE", File.join(ROOT, ".state"))
        end

        def make = FileUtils.mkdir_p(path)
        def postgres = File.join(path, "postgres")
        def backups = File.join(path, "backups")
        def lan = File.join(path, "lan")
        def log = File.join(path, "server.log")

        # Two runs on one folder would fight over the database.
        def lock
          @lock = File.open(File.join(path, "lock"), File::RDWR | File::CREAT)
          return if @lock.flock(File::LOCK_EX | File::LOCK_NB)

          abort("Mossy Anvil is running from this folder already: #{@lock.read.strip}")
        end

        # Says in the lock where it runs, to whoever comes later.
        def write_address(address)
          @lock&.then { |file| file.rewind && file.truncate(0) && file.write(address) && file.flush }
        end
      end
    end
  end
end
