# frozen_string_literal: true

require "tempfile"

module MossyAnvil
  module Server
    module Services
      # An archive or a parcel is taken in.
      class ArchiveImport
        # task: its row, asked as { "copies", "now" }, with its file; step: told (done, total) after each blank.
        def initialize(db, task, step)
          @db = db
          @id = task[:id]
          @copies = task[:asked]["copies"]
          @now = Time.parse(task[:asked]["now"])
          @step = step
        end

        # Reads and checks all of it, and works out what the rack shows of each blank.
        def prepare
          @file = Tempfile.new("archive", binmode: true)
          Store::Tasks.new(@db).write_file(@id, @file)
          @file.flush
          @intake = ArchiveIntake.new(@db, now: @now)
          @briefs = @intake.briefs(ArchiveReader.new(@file.path), @step)
        end

        # Within a transaction; what was taken in, as plain data.
        def apply
          @intake.take_in(ArchiveReader.new(@file.path), @briefs, copies: @copies)
        ensure
          @file.close!
        end
      end
    end
  end
end
