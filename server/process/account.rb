# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # The account the server's programs run under: whoever starts them or, where that is root, one that may do nothing
      # else.
      class Account
        # The program's files cannot be read by that account.
        class Failed < MossyAnvil::Error
        end

        USER, GROUP = "nobody", "nogroup"

        def initialize(root: ::Process.uid.zero?)
          @root = root
        end

        # Words to put before a command so that it runs under it; more: further ones for setpriv.
        def words(*more)
          ["setpriv", *(@root ? ["--reuid=#{USER}", "--regid=#{GROUP}", "--clear-groups"] : []), *more]
        end

        # Makes a folder its own.
        def give(folder)
          FileUtils.chown(USER, GROUP, folder) if @root
        end

        # Raises Failed unless it can read the program.
        def check
          return unless @root

          needed = [
            File.join(ROOT, "server", "entry", "serve.rb"),
            File.join(ROOT, "vendor", "bundle", "bundler", "setup.rb")
          ]
          return if needed.all? { |path| system(*words, "test", "-r", path, out: File::NULL, err: File::NULL) }

          raise Failed,
                "started by root, the server runs as the user #{USER}, who cannot read #{ROOT}; put the project where every user may pass through and read it, " \
                  "or start it as an ordinary user"
        end
      end
    end
  end
end
