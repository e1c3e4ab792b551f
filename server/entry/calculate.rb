# frozen_string_literal: true

# The processes that calculate. Started by server/entry/launch.rb; TERM stops them at once, since they keep nothing.

# While it loads it is stopped by the kernel: what a file that is being loaded catches would be lost.
Signal.trap("TERM", "SYSTEM_DEFAULT")
$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"

$stdout = MossyAnvil::Server::SteadyLog.new($stdout)
MossyAnvil::Server.load_behind
MossyAnvil::Server::Contract.own
GC.start
MossyAnvil::Server::Calculation::CalculationPool.new(
  ENV.fetch("CALCULATION_SOCKET"),
  size: Integer(ENV.fetch("CALCULATORS"))
).run
