# frozen_string_literal: true

# One process that works the queue. Started by server/entry/launch.rb; TERM stops it once the job in hand has come to a
# stop.
# It ends by itself where its connection does, and is then started anew.

# Listens before it loads anything: what tells it to stop while it is starting must not be lost.
ended = Thread::Queue.new
%w[TERM INT].each { |signal| Signal.trap(signal) { ended << :told } }
$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"

log = MossyAnvil::Server::SteadyLog.new($stdout)
$stdout = $stderr = log
MossyAnvil::Server.load_behind
begin
  MossyAnvil::Server::Jobs::Queue.open(MossyAnvil::Server::Store::Connection.open(ENV.fetch("DATABASE_URL")))
rescue Sequel::DatabaseConnectionError
  # The database is away: whoever watches over this starts it again in a moment.
  exit!(1)
end
MossyAnvil::Server::Jobs::Queue.log_to(log, Time)
# None is put by for later: what this process cannot begin at once is another's. So it looks for work itself, often, and
# is not told of it.
locker = Que::Locker.new(worker_priorities: [nil], poll_interval: 0.2, maximum_buffer_size: 0)
Thread.new do
  Thread.current.report_on_exception = false
  locker.thread.join
ensure
  ended << :broken
end
exit!(1) if ended.pop == :broken
locker.stop!
