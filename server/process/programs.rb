# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # The programs that make up the server, by their files.
      module Programs
        # A program beside the web server: its file, how many processes of it, and how far it
        # makes way for others; once: it does what it has to and ends.
        Program = Struct.new(:file, :processes, :niceness, :once)
        # Instruments are heard on that port of this machine. stand_ins: those of bin/instruments run beside.
        Instruments = Struct.new(:port, :stand_ins)

        # What is opened beside the pages on this machine: Instruments that are heard and LanAccess; nil for none.
        Openings = Struct.new(:instruments, :lan)

        SERVER = "server/entry/serve.rb"
        BACKUP = Program.new("server/entry/backup.rb", 1, 15, true).freeze

        # instruments: Instruments there are, nil for none.
        def self.beside(instruments)
          jobs = Integer(ENV.fetch("JOB_WORKERS", "2"))
          [
            Program.new("server/entry/calculate.rb", 1, 5),
            Program.new("server/entry/work.rb", jobs, 10),
            (Program.new("server/entry/listen.rb", 1, 0) if instruments),
            (Program.new("bin/instruments", 1, 5) if instruments&.stand_ins)
          ].compact
        end
      end
    end
  end
end
