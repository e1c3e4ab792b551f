# frozen_string_literal: true

# One process that hears instruments. Started by server/entry/launch.rb where a port is named for them; TERM stops it.

# While it loads it is stopped by the kernel: what a file that is being loaded catches would be lost.
Signal.trap("TERM", "SYSTEM_DEFAULT")
$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"

log = MossyAnvil::Server::SteadyLog.new($stdout)
$stdout = $stderr = log
store =
  MossyAnvil::Server::Store::Instruments.new(
    MossyAnvil::Server::Store::Connection.open(ENV.fetch("DATABASE_URL"), lazily: true)
  )
listener = MossyAnvil::Server::Instruments::Listener.new(store, log: log)
%w[TERM INT].each { |signal| Signal.trap(signal) { Thread.new { listener.stop } } }
listener.run(Integer(ENV.fetch("INSTRUMENTS_PORT")))
