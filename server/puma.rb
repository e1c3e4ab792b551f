# frozen_string_literal: true

# Two processes, since the core's arithmetic holds Ruby's lock; each with a few threads for waiting on the database.
# Nothing is loaded before the fork, so that new workers run the code as it is on disk then.
bind "tcp://127.0.0.1:#{ENV.fetch('PORT')}"
environment "production"
workers Integer(ENV.fetch("WORKERS", "2"))
threads 1, 4
raise_exception_on_sigterm false
worker_timeout 60
silence_single_worker_warning
# More than the largest archive is not even read.
http_content_length_limit 60_000_000

# Each process loads the application and opens its own connections, before it takes its first request.
served = nil
on_worker_boot do
  require_relative "loft"
  Loft.load_all
  served = Loft::App.serve(db: Loft::Store::Connection.open(ENV.fetch("DATABASE_URL")))
end
app { |env| served.call(env) }
