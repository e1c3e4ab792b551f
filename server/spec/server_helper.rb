# frozen_string_literal: true

require "English"
require "rack/test"
require_relative "../../core/spec/core_helper"
require_relative "../server"
require_relative "demo_database"
require_relative "remembered_reports"

# One PostgreSQL of the tests' own for a whole run; every example starts with empty tables.
module ServerHelper
  include Rack::Test::Methods
  extend DemoDatabase

  # Moves only when told to.
  class Clock
    attr_accessor :now

    def initialize(now) = @now = now
  end

  def wait_until(seconds = 40)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until (met = yield) || Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      sleep 0.1
    end
    expect(met).to be_truthy
  end

  def self.url
    @url ||=
      begin
        # Parts of the tests that run side by side have one each.
        postgres =
          MossyAnvil::Server::Process::LocalPostgres.new(
            File.join(MossyAnvil::Server::ROOT, ".state", ["test-postgres", ENV.fetch("TESTS", nil)].compact.join("-"))
          )
        at_exit { postgres.stop }
        postgres.start(database: "mossy_anvil_test")
      end
  end

  def self.db
    @db ||=
      MossyAnvil::Server::Store::Connection
        .open(url)
        .tap do |db|
          Sequel.extension(:migration)
          db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public")
          MossyAnvil::Server::Store::Connection.migrate(db)
        end
  end

  # Empties every table that has anything in it, and counts from one again: quicker than to truncate them all.
  def self.wipe
    full = db.tables(schema: :public).reject { |name| name.start_with?("que_", "schema_") }
    probes = full.map { |name| "SELECT '#{name}' AS name WHERE EXISTS (SELECT 1 FROM public.#{name})" }
    db.transaction do
      db.run("SET LOCAL session_replication_role = replica")
      db.fetch(probes.join(" UNION ALL ")).select_map(:name).each { |name| db.run("DELETE FROM public.#{name}") }
      db.run(<<~SQL)
        SELECT setval(format('%I.%I', schemaname, sequencename)::regclass, 1, false) FROM pg_sequences
        WHERE schemaname = 'public' AND sequencename NOT LIKE 'que_%' AND last_value IS NOT NULL
      SQL
    end
  end

  # Puts the demo shop in as of that day: worked out once in a run, copied from then on.
  def self.load_demo(now)
    kept = "demo_#{now.strftime("%Y_%m_%d")}"
    return copy(kept, "public") if (@kept ||= []).include?(kept)

    MossyAnvil::Server::Services::Demo.new(db, now: now).load
    db.run("DROP SCHEMA IF EXISTS #{kept} CASCADE; CREATE SCHEMA #{kept}")
    tables.each { |table| db.run("CREATE TABLE #{kept}.#{table} (LIKE public.#{table})") }
    copy("public", kept)
    @kept << kept
  end

  def self.tables = db.tables(schema: :public).reject { |name| name.start_with?("que_", "schema_") }

  # Every row of one schema into the empty tables of another; ids go on after the last.
  def self.copy(from, into)
    db.transaction do
      db.run("SET LOCAL session_replication_role = replica")
      tables.each { |table| db.run("INSERT INTO #{into}.#{table} OVERRIDING SYSTEM VALUE TABLE #{from}.#{table}") }
      db.run("SET LOCAL session_replication_role = origin")
      counted =
        tables.select do |table|
          db[table].columns.include?(:id) && db.get(Sequel.function(:pg_get_serial_sequence, table.to_s, "id"))
        end
      counted.each do |table|
        db[table]
          .max(:id)
          &.then do |last|
            db.get(Sequel.function(:setval, Sequel.function(:pg_get_serial_sequence, table.to_s, "id"), last))
          end
      end
    end
  end
  private_class_method :tables, :copy

  def self.contract = @contract ||= MossyAnvil::Server::Contract.new(documents: :inline)

  def db = ServerHelper.db
  def clock = @clock ||= Clock.new(Time.utc(2030, 5, 1, 12))
  def log = @log ||= StringIO.new
  def app = @app ||= MossyAnvil::Server::App.serve(db: db, clock: clock, log: log)
  def logged = log.string.lines.map { |line| JSON.parse(line) }
  def answer = JSON.parse(last_response.body)

  def ask(method, path, body = nil, type: "application/json")
    header "Host", "localhost"
    custom_request(
      method,
      path,
      {},
      { :input => body.is_a?(String) ? body : JSON.generate(body), "CONTENT_TYPE" => type }
    )
    last_response
  end

  # Asks for a change that is worked on the queue, and works it: the task as it is then.
  def work(method, path, body = nil, **how)
    ask(method, path, body, **how)
    worked(answer_as("Task")["id"]) if last_response.status == 202
  end

  # The task of that number, worked.
  def worked(id)
    Que::Job.run_synchronously = true
    MossyAnvil::Server::Jobs::TaskJob.enqueue(id)
    ask("GET", "/api/tasks/#{id}")
    answer_as("Task")
  ensure
    Que::Job.run_synchronously = false
  end

  # The answer, which must fit the contract's schema of that name.
  def answer_as(schema)
    expect(ServerHelper.contract.faults(schema, answer).map(&:to_s)).to eq([])
    answer
  end

  def problem(status)
    expect(last_response.status).to eq(status)
    expect(last_response.content_type).to start_with("application/problem+json")
    answer_as("Problem")
  end

  def take_in(**changes)
    ask("POST", "/api/blanks", { document: JSON.parse(JSON.generate(blank_data(**changes))) })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("KeptBlank")
  end
end

RSpec.configure do |config|
  config.include ServerHelper, :server
  config.before(:each, :server) { ServerHelper.wipe }
end
