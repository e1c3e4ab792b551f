# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # bin/restore: puts a backup back while nothing else runs on it.
      class Restore
        USAGE = "usage: bin/restore [FILE]"

        def initialize(arguments)
          abort(USAGE) if arguments.size > 1 || arguments.first&.start_with?("-")
          @file = arguments.first && File.expand_path(arguments.first)
          @state = StateFolder.new
        end

        def call
          @state.make
          @state.lock
          file = file_to_restore
          kept_as = backups.restore(file, Time.now) { |rows| go_on?(file, rows) }
          puts "  #{kept_as ? "Restored. What was there is still kept, as the database #{kept_as}." : "Nothing was changed."}"
        rescue Backups::Failed, LocalPostgres::Failed => e
          abort("Cannot restore: #{e.message}")
        rescue Sequel::DatabaseError => e
          abort("Cannot restore: #{e.message.gsub(%r{\w+://\S+}, "…").lines.first.to_s.strip}")
        ensure
          @postgres&.stop
        end

        private

        def file_to_restore
          file = @file || folder.list.last || abort("There is no backup in #{folder.path}.")
          abort("There is no file #{file}.") unless File.file?(file)
          file
        end

        def folder = @folder ||= Services::BackupFolder.new(@state.backups)
        def backups = Backups.new(ENV.fetch("DATABASE_URL") { own_database }, folder)

        def own_database
          @postgres = LocalPostgres.new(@state.postgres)
          @postgres.start
        end

        # rows: { table => [now, in the backup] }.
        def go_on?(file, rows)
          puts "  #{File.basename(file)}, made #{File.mtime(file).strftime("%Y-%m-%d %H:%M")}. Now, and once it is restored:"
          changed = rows.reject { |_, (now, then_)| now == then_ }
          changed.each { |table, (now, then_)| puts format("  %-24s %8d %8d", table, now, then_) }
          puts "  Every table has as many rows as now; what was changed in them since is lost." if changed.empty?
          print "  Type yes to go on: "
          $stdin.gets.to_s.strip == "yes"
        end
      end
    end
  end
end
