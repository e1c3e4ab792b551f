# frozen_string_literal: true

require_relative "server_helper"
require "tmpdir"

RSpec.describe MossyAnvil::Server::Process::Backups, :server do
  let(:folder) { MossyAnvil::Server::Services::BackupFolder.new(Dir.mktmpdir("backups")) }
  let(:night) { Time.utc(2030, 5, 2, 1) }

  after { FileUtils.rm_rf(folder.path) }

  # A database of this example's own, with the demo in it.
  around do |example|
    @name = "backed_up_#{Process.pid}"
    server = URI(ServerHelper.url)
    server.path = "/postgres"
    Sequel.connect(server.to_s) do |admin|
      admin.run("DROP DATABASE IF EXISTS #{@name} WITH (FORCE)")
      admin.run("CREATE DATABASE #{@name}")
      server.path = "/#{@name}"
      @url = server.to_s
      example.run
      left = admin[:pg_database].where(Sequel.like(:datname, "#{@name}%")).select_map(:datname)
      left.each { |name| admin.run("DROP DATABASE IF EXISTS \"#{name}\" WITH (FORCE)") }
    end
  end

  def opened
    db = MossyAnvil::Server::Store::Connection.open(@url)
    yield db
  ensure
    db&.disconnect
  end

  def filled
    opened do |db|
      MossyAnvil::Server::Store::Connection.migrate(db)
      MossyAnvil::Server::Services::Demo.new(db, now: Time.utc(2030, 5, 1, 12)).load
    end
    described_class.new(@url, folder)
  end

  def content = opened { |db| described_class.content(db) }

  it "restores to what was kept, table by table, and keeps what was there since under another name" do
    backups = filled
    path = backups.make(night)
    before = content
    expect(before.fetch(:blanks).first).to eq(12)
    expect(File.stat(path).mode & 0o777).to eq(0o600)
    opened { |db| db[:blanks].where(number: 31).update(name: "Burnt") && db[:journal].multi_insert([]) }
    opened { |db| MossyAnvil::Server::Store::Shops.new(db).clear }
    told = nil
    kept_as = backups.restore(path, night) { |rows| told = rows }
    expect(told[:blanks]).to eq([0, 12])
    expect(content).to eq(before)
    expect(Sequel.connect(@url.sub(@name, kept_as)) { |db| db[:blanks].count }).to eq(0)
  end

  it "changes nothing where it is not to go on, or the file is not whole" do
    backups = filled
    path = backups.make(night)
    before = content
    expect(backups.restore(path, night) { false }).to be_nil
    File.truncate(path, File.size(path) / 2)
    expect { backups.restore(path, night) { true } }.to raise_error(described_class::Failed, /pg_restore failed/)
    expect { backups.restore(File.join(folder.path, "none.dump"), night) { true } }.to raise_error(
      described_class::Failed
    )
    expect(content).to eq(before)
  end

  it "leaves nothing half made where it is killed, and the next one is whole" do
    backups = filled
    before = content
    child =
      fork do
        $stdout.reopen(File::NULL)
        described_class.new(@url, folder).make(night)
        exit!(0)
      end
    sleep 0.4
    Process.kill("KILL", child)
    Process.wait(child)
    expect(folder.list.size).to be <= 1
    path = backups.make(night + 60)
    expect(folder.list.last).to eq(path)
    expect(content).to eq(before)
  end

  it "keeps fourteen, is due once a night and told of after a day and a half" do
    backups = described_class.new(@url, folder)
    begun = Time.now
    expect([folder.due?(begun), folder.stale?(begun), folder.last_at]).to eq([false, false, nil])
    expect([folder.due?(begun + (25 * 3600)), folder.stale?(begun + (37 * 3600))]).to eq([true, true])
    16.times do |day|
      path = File.join(folder.path, "2030050#{day.to_s(16)}-030000.dump")
      File.write(path, "")
      File.utime(begun, begun, path)
    end
    opened { |db| MossyAnvil::Server::Store::Connection.migrate(db) }
    backups.make(Time.utc(2031, 1, 1))
    expect(folder.list.size).to eq(14)
    at_three = Time.local(begun.year, begun.month, begun.day, 3, 5) + (86_400 * 1)
    made = File.mtime(folder.list.last)
    expect(folder.due?(at_three)).to be((at_three - made) >= 12 * 3600)
    expect(folder.due?(made + (2 * 3600))).to be(false)
  end

  it "says so where the database is away" do
    elsewhere = URI(@url).tap { |url| url.port = 1 }
    away = described_class.new(elsewhere.to_s, folder)
    expect { away.make(night) }.to raise_error(Sequel::DatabaseConnectionError)
    expect(folder.list).to eq([])
  end

  def restored(path, answer)
    env = { "DATABASE_URL" => @url, "MOSSY_ANVIL_STATE" => folder.path }
    words = [File.join(MossyAnvil::Server::ROOT, "bin/restore"), *path]
    IO.popen(env, [*words, { err: %i[child out] }], "r+") do |program|
      program.puts(answer)
      program.close_write
      program.read
    end
  end

  it "is put back from the command line, which says first what is lost, and only where that is wanted" do
    path = filled.make(night)
    before = content
    opened { |db| MossyAnvil::Server::Store::Shops.new(db).clear }
    expect(restored(path, "no")).to match(/blanks +0 +12\n.*Nothing was changed/m)
    expect(content).not_to eq(before)
    expect(restored(path, "yes")).to match(/Restored. What was there is still kept, as the database #{@name}_before_/)
    expect(content).to eq(before)
    expect(restored("#{path}.gone", "yes")).to include("There is no file")
    File.write("#{path}.bad", "not a backup")
    expect(restored("#{path}.bad", "yes")).to match(/Cannot restore: pg_restore failed/)
    expect(content).to eq(before)
  end

  it "leaves what two restores put aside, and no more" do
    opened { |db| MossyAnvil::Server::Store::Connection.migrate(db) }
    backups = described_class.new(@url, folder)
    path = backups.make(night)
    names = Array.new(3) { |turn| backups.restore(path, night + turn) { true } }
    left = opened { |db| db[:pg_database].where(datname: names).select_order_map(:datname) }
    expect(left).to eq(names.last(2))
  end

  it "is made by the program the launcher starts, which says where, or why not" do
    filled
    env = { "DATABASE_URL" => @url, "BACKUPS" => folder.path }
    entry = File.join(MossyAnvil::Server::ROOT, "server/entry/backup.rb")
    run = ->(about) { IO.popen({ **env, **about }, [RbConfig.ruby, entry, { err: %i[child out] }], &:read) }
    expect(run.call({})).to include("Backed up to #{folder.path}")
    expect(folder.list.size).to eq(1)
    expect(run.call({ "DATABASE_URL" => @url.sub(%r{:\d+/}, ":1/") })).to include("No backup was made")
    expect(folder.list.size).to eq(1)
  end
end
