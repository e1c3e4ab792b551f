# frozen_string_literal: true

# Two processes, since the core's arithmetic holds Ruby's lock; each with a few threads for waiting on the database.
bind "tcp://127.0.0.1:#{ENV.fetch('PORT')}"
environment "production"
workers Integer(ENV.fetch("WORKERS", "2"))
threads 1, 4
preload_app!
raise_exception_on_sigterm false
worker_timeout 60
silence_single_worker_warning

# Each process opens its own connections, once, after the fork.
opening = Mutex.new
served = nil
app do |env|
  opening.synchronize { served ||= Loft::App.serve(db: Loft::Store::Connection.open(ENV.fetch("DATABASE_URL"))) }
  served.call(env)
end
