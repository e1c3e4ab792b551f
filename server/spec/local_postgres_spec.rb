# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Process::LocalPostgres do
  it "makes its own cluster, keeps what was committed over a kill, and stops" do
    Dir.mktmpdir("cluster") do |folder|
      File.chmod(0o755, folder)
      own = described_class.new(File.join(folder, "postgres"))
      db = Sequel.connect(own.start(database: "mine"))
      db.run("CREATE TABLE kept (n integer); INSERT INTO kept VALUES (7)")
      db.disconnect
      pid = Integer(File.foreach(File.join(folder, "postgres", "data", "postmaster.pid")).first)
      Process.kill("KILL", pid)
      Process.wait(pid)
      again = described_class.new(File.join(folder, "postgres"))
      expect(Sequel.connect(again.start(database: "mine")) { |other| other[:kept].get(:n) }).to eq(7)
      again.stop
      expect(File).not_to exist(File.join(folder, "postgres", "data", "postmaster.pid"))
      own.stop
    end
  end

  it "lets nobody in without the password" do
    open_url = ServerHelper.url.sub(%r{//mossy_anvil:[^@]+@}, "//mossy_anvil:wrong@")
    expect { Sequel.connect(open_url) { |db| db.get(1) } }.to raise_error(Sequel::DatabaseConnectionError, /password/)
  end

  # A cluster in a folder of its own, started once with a row in it, and stopped.
  def kept_cluster
    Dir.mktmpdir("cluster") do |folder|
      File.chmod(0o755, folder)
      place = File.join(folder, "postgres")
      own = described_class.new(place)
      Sequel.connect(own.start(database: "mine")) do |db|
        db.run("CREATE TABLE kept (n integer); INSERT INTO kept VALUES (7)")
      end
      own.stop
      yield place, File.join(place, "data")
    end
  end

  def kept_in(place)
    again = described_class.new(place)
    Sequel.connect(again.start(database: "mine")) { |db| db[:kept].get(:n) }
  ensure
    again&.stop
  end

  def refused(place) = expect { described_class.new(place).start }

  it "never throws away a folder that holds a database, whatever file of it is missing" do
    kept_cluster do |place, data|
      version = File.join(data, "PG_VERSION")
      File.rename(version, "#{version}.lost")
      refused(place).to raise_error(described_class::Failed, /PG_VERSION is missing. Nothing was touched/)
      File.rename("#{version}.lost", version)
      expect(kept_in(place)).to eq(7)
    end
  end

  it "begins a first start again that was broken off, and takes its password along" do
    Dir.mktmpdir("cluster") do |folder|
      File.chmod(0o755, folder)
      place = File.join(folder, "postgres")
      FileUtils.mkdir_p(File.join(place, "data.new", "base"))
      File.write(File.join(place, "data.new", "PG_VERSION"), "15")
      File.write(File.join(place, "password"), "")
      own = described_class.new(place)
      expect(Sequel.connect(own.start(database: "mine")) { |db| db.get(1) }).to eq(1)
      own.stop
      expect(File.stat(File.join(place, "password")).mode & 0o777).to eq(0o600)
      expect(Dir.children(place)).not_to include("data.new")
    end
  end

  it "lets another program alone that has the number of a server which died" do
    kept_cluster do |place, data|
      other = Process.spawn("sleep", "60")
      stale = File.join(data, "postmaster.pid")
      File.write(stale, "#{other}\n#{data}\n")
      expect(kept_in(place)).to eq(7)
      expect(Process.waitpid(other, Process::WNOHANG)).to be_nil
    ensure
      Process.kill("KILL", other)
      Process.wait(other)
    end
  end

  it "says what to do about a lost password and about a folder of somebody else's" do
    kept_cluster do |place, data|
      password = File.join(place, "password")
      File.rename(password, "#{password}.lost")
      refused(place).to raise_error(described_class::Failed, /password is missing .*Put the file back/)
      File.rename("#{password}.lost", password)
      next unless Process.uid.zero?

      FileUtils.chown("nobody", nil, data)
      refused(place).to raise_error(
        described_class::Failed,
        /belongs to the user nobody, and PostgreSQL would run as postgres/
      )
    end
  end
end
