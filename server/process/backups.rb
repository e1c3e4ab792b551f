# frozen_string_literal: true

require "English"
require "fileutils"
require "uri"

module MossyAnvil
  module Server
    module Process
      # Backups of a database in a folder: made by PostgreSQL's own programs, tried out by restoring them beside it and
      # counting every row, so many of them kept, and put back.
      class Backups
        # What a backup or a restore stops at; the message says why and what stays as it was.
        class Failed < MossyAnvil::Error
        end

        # Of what is only of the moment nothing is kept.
        OF_THE_MOMENT = %w[presences attempts].freeze
        # Tables that differ from run to run.
        OTHERS = ["que_lockers", *OF_THE_MOMENT].freeze
        # How many of the databases stay that were put aside by a restore.
        KEPT_BEFORE = 2

        # url: of the database; folder: Services::BackupFolder.
        def initialize(url, folder)
          @url = URI(url)
          @folder = folder
        end

        # Makes one, tries it out and lets go of the oldest; its path. Raises Failed, with nothing half made left.
        def make(now)
          path = @folder.at(now)
          part = "#{path}.part"
          there = with_snapshot { |id, db| dump(part, id).then { Backups.content(db) } }
          try_out(part, there)
          File.open(part, &:fsync)
          File.rename(part, path)
          @folder.drop_oldest
          path
        ensure
          FileUtils.rm_f(part) if part
        end

        # Puts one back. The block is given { table => [rows now, rows in it] } and says whether to go on; what is kept
        # now stays beside it under another name. Returns that name, nil where it was not to go on. Raises Failed;
        # broken off at any moment, what is kept stays as it is.
        def restore(path, now)
          scratch = "#{database}_restored"
          renew(scratch)
          restore_into(scratch, path)
          brought_up_to_date(scratch)
          rows = compared(scratch)
          return drop(scratch) && nil unless yield(rows)

          swap(scratch, "#{database}_before_#{now.strftime("%Y%m%d_%H%M%S")}").tap { drop_older }
        end

        # { table => [rows, sum over all of them] }
        def self.content(db)
          db
            .tables(schema: :public)
            .reject { |table| OTHERS.include?(table.to_s) }
            .to_h do |table|
              row = db.fetch(<<~SQL).first
                SELECT count(*) AS rows, md5(coalesce(string_agg(md5(t::text), '' ORDER BY md5(t::text)), '')) AS sum
                FROM #{db.literal(Sequel.identifier(table))} t
              SQL
              [table, row.values_at(:rows, :sum)]
            end
        end

        private

        def database = @url.path.delete_prefix("/")

        def opened(name = database)
          url = @url.dup
          url.path = "/#{name}"
          db = Sequel.connect(url.to_s, max_connections: 1, connect_sqls: ["SET statement_timeout = 0"])
          yield db
        ensure
          db&.disconnect
        end

        # The block dumps and counts what was there at one moment.
        def with_snapshot
          opened do |db|
            db.transaction(isolation: :repeatable, read_only: true) do
              yield db.get(Sequel.function(:pg_export_snapshot)), db
            end
          end
        end

        def dump(path, snapshot) =
          run(
            "pg_dump",
            "--format=custom",
            "--no-owner",
            "--no-acl",
            *OF_THE_MOMENT.map { |table| "--exclude-table-data=#{table}" },
            "--snapshot=#{snapshot}",
            "--file=#{path}",
            database
          )

        def try_out(path, there)
          scratch = "#{database}_tried"
          renew(scratch)
          restore_into(scratch, path)
          found = opened(scratch) { |db| Backups.content(db) }
          return if found == there

          wrong = there.keys.reject { |table| found[table] == there[table] }
          raise Failed, "the backup does not hold what is kept: #{wrong.join(", ")} differ. It was thrown away."
        ensure
          drop(scratch)
        end

        # A file that is not whole has nothing taken from it.
        def restore_into(name, path) =
          run("pg_restore", "--exit-on-error", "--no-owner", "--no-acl", "--dbname=#{name}", path)

        def brought_up_to_date(name)
          url = @url.dup
          url.path = "/#{name}"
          db = Store::Connection.open(url.to_s)
          Store::Connection.migrate(db)
        rescue Sequel::Migrator::Error => e
          raise Failed, "the backup is of a later version of the program (#{e.message}). What is kept stays as it is."
        ensure
          db&.disconnect
        end

        def compared(scratch)
          now, then_ = [database, scratch].map { |name| opened(name) { |db| Backups.content(db) } }
          (now.keys | then_.keys).to_h { |table| [table, [now, then_].map { |rows| rows.fetch(table, [0]).first }] }
        end

        # Of what was there before the restores only the newest few stay.
        def drop_older
          stem = Sequel.like(:datname, "#{database.gsub(/[%_\\]/) { |sign| "\\#{sign}" }}\\_before\\_%")
          names = opened("postgres") { |admin| admin[:pg_database].where(stem).order(:datname).select_map(:datname) }
          names[0...-KEPT_BEFORE].each { |name| drop(name) }
        end

        # Both names change at once, or neither.
        def swap(scratch, kept_as)
          opened("postgres") do |admin|
            admin[:pg_stat_activity].where(datname: [database, scratch]).select_map { pg_terminate_backend(:pid) }
            admin.transaction do
              rename(admin, database, kept_as)
              rename(admin, scratch, database)
            end
          end
          kept_as
        end

        def rename(admin, old, new) = admin.run("ALTER DATABASE #{quoted(admin, old)} RENAME TO #{quoted(admin, new)}")
        def quoted(db, name) = db.literal(Sequel.identifier(name))

        # One after another: the database may still be making it for one that was killed.
        def renew(name)
          opened("postgres") do |admin|
            admin.run("SELECT pg_advisory_lock(hashtext(#{admin.literal(name)}))")
            drop(name)
            admin.run("CREATE DATABASE #{quoted(admin, name)} TEMPLATE template0")
          end
        end

        def drop(name) =
          opened("postgres") { |admin| admin.run("DROP DATABASE IF EXISTS #{quoted(admin, name)} WITH (FORCE)") } ||
            true

        # A program of PostgreSQL's on this database's server; the password is not among its arguments.
        def run(program, *arguments)
          folder = Dir["/usr/lib/postgresql/*/bin"].max_by { |path| path[/\d+/].to_i }
          about = {
            "PGHOST" => @url.host,
            "PGPORT" => (@url.port || 5432).to_s,
            "PGUSER" => @url.user,
            "PGPASSWORD" => @url.password && URI.decode_www_form_component(@url.password)
          }
          output =
            IO.popen(about, [File.join(folder.to_s, program), *arguments, { err: %i[child out], umask: 0o077 }], &:read)
          raise Failed, "#{program} failed: #{output.strip[0, 500]}" unless $CHILD_STATUS.success?
        rescue Errno::ENOENT
          raise Failed, "#{program} is not installed (Debian package: postgresql-client)"
        end
      end
    end
  end
end
