# frozen_string_literal: true

# Starts everything: the database, the tables, the demo, the web server; watches over both, and stops it all again.
# Called by bin/start, which has installed and built what is needed.
# TERM or Ctrl-C stops it; HUP puts new server processes in the place of the old without dropping a request.

# While it loads it is stopped by the kernel: what a file that is being loaded catches would be lost.
Signal.trap("TERM", "SYSTEM_DEFAULT")
$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"
Signal.trap("TERM", "DEFAULT")

# The terminal it was started from may go away: it goes on.
$stdout = MossyAnvil::Server::SteadyLog.new($stdout)

MossyAnvil::Server::Process::Launch.new(ARGV).call
