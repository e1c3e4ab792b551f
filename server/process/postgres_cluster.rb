# frozen_string_literal: true

require "English"
require "etc"
require "fileutils"

module MossyAnvil
  module Server
    module Process
      # A PostgreSQL cluster on disk: its folder, its password and whom both belong to. PostgreSQL refuses to run as
      # root; where root starts it, all of it is the user `postgres`'s.
      class PostgresCluster
        # PostgreSQL could not be set up or started; the message says what it said.
        class Failed < MossyAnvil::Error
        end

        # data: the folder PostgreSQL itself keeps; log: what it says.
        attr_reader :data, :log

        # folder: absolute; made if it is not there. user: of the database.
        def initialize(folder, user)
          @folder = folder
          @user = user
          @data = File.join(folder, "data")
          @password_file = File.join(folder, "password")
          @log = File.join(folder, "postgres.log")
        end

        # Makes it where there is none yet. Raises Failed where it cannot be used.
        def prepare
          make unless File.exist?(File.join(@data, "PG_VERSION"))
          check_own
        end

        def password = File.read(@password_file).strip

        # Path of one of PostgreSQL's programs.
        def program(name) = File.join(programs, name)

        # Words to put before a command so that it does not run as root, and goes down with this process.
        def as_owner(pdeathsig: false)
          words = ["setpriv"]
          words += %w[--reuid=postgres --regid=postgres --init-groups] if ::Process.uid.zero?
          words += ["--pdeathsig=INT"] if pdeathsig
          words.size == 1 ? [] : words
        end

        # A server left behind by a killed owner still holds the folder. The number in postmaster.pid may be another
        # program's by now: that is let alone.
        def stop_orphan
          pid = postmaster or return
          return File.delete(pid_file) unless postgres_here?(pid)

          IO.popen(
            [*as_owner, program("pg_ctl"), "-D", @data, "-m", "fast", "-w", "stop", { err: %i[child out], chdir: "/" }],
            &:read
          )
        end

        private

        def programs
          @programs ||=
            Dir["/usr/lib/postgresql/*/bin"].max_by { |path| path[/\d+/].to_i } ||
              raise(Failed, "PostgreSQL's programs are not installed (Debian package: postgresql)")
        end

        # It is made beside its place and moved there whole, so that one which was broken off is begun again
        # and nothing that is kept is touched.
        def make
          refuse_to_overwrite
          FileUtils.mkdir_p(File.dirname(@folder))
          FileUtils.mkdir_p(@folder, mode: 0o700)
          fresh = "#{@data}.new"
          FileUtils.rm_rf(fresh)
          write_password unless File.size?(@password_file)
          FileUtils.touch(@log)
          hand_over if ::Process.uid.zero?
          run(
            "initdb",
            "-D",
            fresh,
            "-U",
            @user,
            "-A",
            "scram-sha-256",
            "--pwfile",
            @password_file,
            "-E",
            "UTF8",
            "--locale=C.UTF-8"
          )
          # Over an empty folder of that name, if there is one; never over a full one.
          File.rename(fresh, @data)
          File.open(@folder, &:fsync)
        end

        # What looks like a database, or like part of one, is nobody's to throw away.
        def refuse_to_overwrite
          return unless Dir.exist?(@data) && !Dir.empty?(@data)

          raise Failed,
                "#{@data} holds a database, but its file PG_VERSION is missing. Nothing was touched. Put the file back (it holds the number of the PostgreSQL " \
                  "version and nothing else, for example 15), or restore the folder from a backup, or move it away to begin anew."
        end

        def write_password
          File.open(@password_file, File::WRONLY | File::CREAT | File::TRUNC, 0o600) do |file|
            file.chmod(0o600)
            file.write(SecureRandom.hex(24))
            file.fsync
          end
        end

        # Raises Failed where the folder or its password cannot be used, saying what to do.
        def check_own
          owner = File.stat(@data).uid
          wanted = ::Process.uid.zero? ? Etc.getpwnam("postgres").uid : ::Process.uid
          if owner != wanted
            raise Failed,
                  "#{@data} belongs to the user #{account(owner)}, and PostgreSQL would run as #{account(wanted)}. Start it as the user who started it first, or " \
                    "give the folder to that one (chown -R #{account(wanted)} #{@folder})."
          end
          return if File.size?(@password_file)

          raise Failed,
                "the database's password is missing (#{@password_file}). Put the file back from a backup; without it the database in #{@data} cannot be opened."
        rescue Errno::EACCES
          raise Failed,
                "#{@folder} may not be read by the user #{account(::Process.uid)}. Start it as the user who started it first."
        end

        def account(uid) = Etc.getpwuid(uid).name

        def hand_over
          FileUtils.chown("postgres", "postgres", [@folder, @password_file, @log])
          return if system(*as_owner, "test", "-w", @folder, out: File::NULL, err: File::NULL)

          raise Failed,
                "the user postgres cannot reach #{@folder}; put the project where every user may pass through, or start it as an ordinary user"
        end

        def run(program, *arguments)
          output = IO.popen([*as_owner, self.program(program), *arguments, { err: %i[child out], chdir: "/" }], &:read)
          raise Failed, "#{program} failed:\n#{output}" unless $CHILD_STATUS.success?
        end

        def pid_file = File.join(@data, "postmaster.pid")

        # The number in postmaster.pid, 0 where it is none; nil where there is no such file.
        def postmaster
          File.open(pid_file) { |file| file.gets.to_i }
        rescue Errno::ENOENT
          nil
        end

        # Is that process a PostgreSQL on this folder? It stands in it, whatever it calls itself.
        def postgres_here?(pid)
          pid.positive? && File.realpath("/proc/#{pid}/cwd") == File.realpath(@data) &&
            File.basename(File.readlink("/proc/#{pid}/exe")).start_with?("postgres")
        rescue Errno::ENOENT, Errno::ESRCH
          false
        rescue Errno::EACCES
          File.read("/proc/#{pid}/cmdline").split("\0").include?(@data)
        end
      end
    end
  end
end
