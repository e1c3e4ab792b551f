# frozen_string_literal: true

require "etc"

module MossyAnvil
  module Server
    module Process
      # Starts the programs of the server, each with the settings all of them share.
      class Spawner
        # folder: of this run. account: Account they run under. log: LogFile their lines go to. settings: name => text.
        def initialize(folder, account, log, settings)
          @folder = folder
          @account = account
          @log = log
          @settings = {
            "CALCULATION_SOCKET" => socket,
            "CALCULATORS" => ENV.fetch("CALCULATORS", Etc.nprocessors.clamp(2, 8).to_s),
            **settings
          }
        end

        # That the processes that calculate listen on.
        def socket = File.join(@folder, "calculate")

        # The number of a new process. It goes down with this one, however that ends; what a terminal tells its group
        # (Ctrl-C, or that it has gone) is told to this one alone.
        def spawn(file, niceness)
          ::Process.spawn(
            @settings,
            *@account.words("--pdeathsig=TERM"),
            "nice",
            "-n",
            niceness.to_s,
            RbConfig.ruby,
            "-r#{ROOT}/vendor/bundle/bundler/setup",
            File.join(ROOT, file),
            out: @log.target,
            err: @log.target,
            in: File::NULL,
            pgroup: true
          )
        end
      end
    end
  end
end
