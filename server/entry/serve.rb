# frozen_string_literal: true

# The web server by itself: one master that holds the port, and the workers of server/entry/puma.rb. Started by
# server/entry/launch.rb.
# TERM stops it once what is in hand is answered; USR1 puts new workers in the place of the old, one after another.

$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require "json"
require "puma"
require "puma/launcher"
require_relative "../steady_log"

# A line that cannot be written must stop neither the master nor a worker's thread.
log = MossyAnvil::Server::SteadyLog.new($stdout)
$stdout = $stderr = log
launcher =
  Puma::Launcher.new(
    Puma::Configuration.new(config_files: [File.join(__dir__, "puma.rb")]),
    log_writer: Puma::LogWriter.new(log, log)
  )
# Whoever looks after it says TERM. Puma's own answer to Ctrl-C in cluster mode waits for nothing.
launcher.events.after_booted { Signal.trap("INT", "IGNORE") }
launcher.run
