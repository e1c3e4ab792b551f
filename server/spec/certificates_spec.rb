# frozen_string_literal: true

require "tmpdir"
require_relative "server_helper"
require_relative "launch_run"

RSpec.describe MossyAnvil::Server::Process::Certificates do
  let(:folder) { File.join(Dir.mktmpdir("lan"), "lan") }
  let(:now) { Time.utc(2030, 5, 1) }

  after { FileUtils.rm_rf(File.dirname(folder)) }

  def made(at: now, addresses: ["192.168.1.20"])
    described_class.new(folder, now: at, host: "loft", addresses: addresses).tap(&:make)
  end

  def read(name) = OpenSSL::X509::Certificate.new(File.read(File.join(folder, name)))

  # What a device says that trusts the authority of this one, asked by a name or an address.
  def verdict(host, at: now)
    store = OpenSSL::X509::Store.new
    store.add_cert(read("authority.crt"))
    store.time = at
    store.verify(read("server.crt")) && OpenSSL::SSL.verify_certificate_identity(read("server.crt"), host)
  end

  it "are known by every name and address of this machine, and by no other" do
    made
    expect(%w[loft loft.local localhost 127.0.0.1 192.168.1.20].map { |host| verdict(host) }).to all(be(true))
    expect(%w[192.168.1.21 elsewhere.test].map { |host| verdict(host) }).to all(be(false))
  end

  it "come of an authority that can speak for nothing beyond a private network" do
    made
    authority, key = read("authority.crt"), OpenSSL::PKey.read(File.read(File.join(folder, "authority.key")))
    %w[DNS:bank.test IP:8.8.8.8].each do |name|
      forged = OpenSSL::X509::Certificate.new
      forged.version = 2
      forged.subject = OpenSSL::X509::Name.new([%w[CN x]])
      forged.issuer = authority.subject
      forged.public_key = key
      forged.not_before, forged.not_after = now - 60, now + 60
      forged.add_extension(OpenSSL::X509::ExtensionFactory.new.create_extension("subjectAltName", name))
      forged.sign(key, "SHA256")
      store = OpenSSL::X509::Store.new.tap { |one| one.add_cert(authority) && one.time = now }
      expect([name, store.verify(forged), store.error_string]).to match([name, false, /permitted subtree/])
    end
  end

  it "stay as they are until a name changes or their time runs out; the authority stays through both" do
    made
    authority, own = %w[authority.crt server.crt].map { |name| read(name).to_pem }
    made(at: now + (300 * 86_400))
    expect(read("server.crt").to_pem).to eq(own)
    made(addresses: ["192.168.1.21"])
    expect(verdict("192.168.1.21")).to be(true)
    later = now + (390 * 86_400)
    made(at: later, addresses: ["192.168.1.21"])
    expect(verdict("192.168.1.21", at: later + (300 * 86_400))).to be(true)
    expect(read("authority.crt").to_pem).to eq(authority)
  end

  it "lie where nobody else may read them" do
    made.secret
    modes = Dir.glob("#{folder}/*").to_h { |path| [File.basename(path), File.stat(path).mode & 0o777] }
    expect(modes.values.uniq).to eq([0o600])
    expect(modes.keys).to contain_exactly(
      "authority.crt",
      "authority.key",
      "server.crt",
      "server.key",
      "session.secret"
    )
    expect(File.stat(folder).mode & 0o777).to eq(0o700)
  end
end

RSpec.describe "Starting the application on the local network", :server do
  let(:url) { ServerHelper.url.sub(%r{/[^/]+\z}, "/launch_test") }
  let(:state) { Dir.mktmpdir("lan-state") }

  before do
    ServerHelper.as_admin do |admin|
      admin.run("DROP DATABASE IF EXISTS launch_test WITH (FORCE)")
      admin.run("CREATE DATABASE launch_test TEMPLATE #{ServerHelper.demo_database}")
    end
  end

  after do
    LaunchRun.end_all
    FileUtils.rm_rf(state)
  end

  def https(port, path)
    http = Net::HTTP.new("127.0.0.1", port)
    http.use_ssl = true
    http.ca_file = File.join(state, "lan", "authority.crt")
    http.get(path)
  end

  # What comes back to a plain request; nothing where the line is cut.
  def plainly(port)
    TCPSocket.open("127.0.0.1", port) do |socket|
      socket.write("GET / HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n")
      socket.close_write
      socket.read
    end
  rescue Errno::ECONNRESET
    ""
  end

  it "serves it over HTTPS alone, to people who log in, and tells the first owner the way in" do
    run = LaunchRun.new("--lan", DATABASE_URL: url, MOSSY_ANVIL_STATE: state).ready!
    port = run.said[%r{https://[^:]+:(\d+)}, 1].to_i
    expect(https(port, "/api/session").code).to eq("200")
    expect(https(port, "/api/shop").code).to eq("401")
    expect(run.get("/api/shop").code).to eq("401")
    expect(https(port, "/authority.crt").body).to eq(File.read(File.join(state, "lan", "authority.crt")))
    # Plain HTTP is not spoken there, and what speaks it is this machine's alone.
    expect(plainly(port)).not_to start_with("HTTP")
    sockets = File.readlines("/proc/net/tcp").map { |line| line.split[1] }
    expect(sockets.grep(/:#{format("%04X", run.port)}\z/)).to all(start_with("0100007F"))
    code = run.said[/#code=(\S+)/, 1].tr("-", " ")
    db = MossyAnvil::Server::Store::Connection.open(url)
    token = MossyAnvil::Server::Store::Devices.new(db).pair(code, "desk", Time.now.utc)
    expect(MossyAnvil::Server::Store::Devices.new(db).caller_with(token, Time.now.utc).role).to eq("owner")
    db.disconnect
    expect(run.stop("TERM")).to be_success
    again = LaunchRun.new("--lan", DATABASE_URL: url, MOSSY_ANVIL_STATE: state).ready!
    expect(again.said).not_to include("#code=")
    again.stop("TERM")
    # Without it nobody logs in, and nothing but this machine is served.
    alone = LaunchRun.new(DATABASE_URL: url, MOSSY_ANVIL_STATE: state).ready!
    expect(alone.get("/api/shop").code).to eq("200")
    expect(alone.said).not_to include("https://")
    alone.stop("TERM")
  end
end
