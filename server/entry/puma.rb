# frozen_string_literal: true

# Two processes that answer requests. What takes calculation they pass on (see CalculationPool), so each has many
# threads: most of them wait.
# Nothing is loaded before the fork, so that new workers run the code as it is on disk then.
bind "tcp://127.0.0.1:#{ENV.fetch("PORT")}"
# Beyond this machine nothing goes over plain HTTP.
if (lan_port = ENV.fetch("LAN_PORT", nil))
  files = ENV.fetch("LAN_CERTIFICATES")
  ssl_bind "0.0.0.0",
           lan_port,
           cert: File.join(files, "server.crt"),
           key: File.join(files, "server.key"),
           no_tlsv1: true,
           no_tlsv1_1: true
end
environment "production"
workers Integer(ENV.fetch("WORKERS", "2"))
preload_app! false
threads 4, 64
raise_exception_on_sigterm false
worker_timeout 60
worker_shutdown_timeout 30
silence_single_worker_warning
# Nothing is taken that is larger than the largest archive (Services::Archive::MAX_BYTES), however it is sent.
http_content_length_limit 4_000_000_000

# Each process loads the application before it takes its first request. It asks the database only when a request does,
# so that one which starts while the database is away says so, and serves as soon as it is back. A process that cannot
# load is no use: it ends and is forked again.
served = nil
before_worker_boot do
  require_relative "../server"
  MossyAnvil::Server.load_all
  $stdout = $stderr = MossyAnvil::Server::SteadyLog.new($stdout)
  served =
    MossyAnvil::Server::App.serve(
      db: MossyAnvil::Server::Store::Connection.open(ENV.fetch("DATABASE_URL"), lazily: true),
      calculator: MossyAnvil::Server::Calculation::Calculator.new(ENV.fetch("CALCULATION_SOCKET")),
      network: MossyAnvil::Server::Network.given(ENV)
    )
rescue StandardError, ScriptError => e
  warn "A server process cannot start: #{e.class}: #{e.message.lines.first}"
  sleep 1
  exit!(1)
end
app { |env| served.call(env) }
