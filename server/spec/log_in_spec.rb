# frozen_string_literal: true

require_relative "server_helper"

# One password for all, hashed lightly.
module OnePassword
  PLAIN = "burr and bark 44"
  def self.hashed = @hashed ||= Argon2::Password.new(t_cost: 1, m_cost: 8).create(PLAIN)
end

# The shop on a network: everybody logs in.
RSpec.describe MossyAnvil::Server::Http::Admission, :server do
  let(:network) do
    MossyAnvil::Server::Network.new(secret: "s" * 64, hosts: ["shop.local"], address: "https://shop.local:4381")
  end
  let(:log_ins) { MossyAnvil::Server::Store::LogIns.new(db) }
  let(:devices) { MossyAnvil::Server::Store::Devices.new(db) }

  before do
    @app = MossyAnvil::Server::App.serve(db: db, clock: clock, log: log, network: network)
    db[:attempts].delete
    %w[owner maker learner viewer].each { |role| db[:people].insert(name: role.capitalize, role: role, hours: "[]") }
  end

  def give_passwords
    %w[owner learner].each do |role|
      db[:account_password_hashes].insert(id: person(role), password_hash: OnePassword.hashed)
    end
  end

  def person(role) = db[:people].where(role: role).get(:id)

  # As a browser asks: over HTTPS, with the token of its session.
  def asks(method, path, body = nil)
    header "X-CSRF-Token", session["csrf"] unless method == "GET"
    ask(method, "https://localhost#{path}", body)
    last_response.status
  end

  def session
    ask("GET", "https://localhost/api/session", nil)
    JSON.parse(last_response.body)
  end

  def log_in(name, password = OnePassword::PLAIN)
    give_passwords if db[:account_password_hashes].empty?
    asks("POST", "/api/log-in", { name: name, password: password })
  end

  def as_device_of(role) = keep("mossy_anvil_device=#{devices.add(person(role), "phone", clock.now)}")
  def keep(cookie) = set_cookie(cookie, URI("https://localhost/"))
  def stranger = clear_cookies

  it "knows nobody, then whoever logged in, and forgets them when they leave" do
    expect(session).to include("log_in" => true, "person" => nil)
    expect(asks("GET", "/api/shop")).to eq(401)
    expect(log_in("Owner")).to eq(200)
    expect(session["person"]).to eq("id" => person("owner"), "name" => "Owner", "role" => "owner")
    expect(asks("GET", "/api/shop")).to eq(200)
    kept = rack_mock_session.cookie_jar["mossy_anvil_session"]
    expect(asks("POST", "/api/session/end", { everywhere: false })).to eq(200)
    expect(asks("GET", "/api/shop")).to eq(401)
    # The session itself is over, whoever kept its cookie.
    keep("mossy_anvil_session=#{kept}")
    expect(asks("GET", "/api/shop")).to eq(401)
    expect(db[:account_authentication_audit_logs].select_order_map(:message)).to include("login", "logout")
  end

  it "gives a new session at log-in, sends cookies that no script and no other page gets, and only over HTTPS" do
    before = session && rack_mock_session.cookie_jar["mossy_anvil_session"]
    log_in("Owner")
    cookies = Array(last_response.headers["set-cookie"]).join("\n").split("\n")
    expect(cookies).to all(match(/httponly/i).and(match(/samesite=strict/i)).and(match(/secure/i)))
    expect(rack_mock_session.cookie_jar["mossy_anvil_session"]).not_to eq(before)
    expect(last_response.headers["strict-transport-security"]).to match(/max-age=\d{8}/)
    # Sealed: nothing of who it is can be read or written in it.
    expect(rack_mock_session.cookie_jar["mossy_anvil_session"].unpack1("m")).not_to include("account_id")
    keep("mossy_anvil_session=#{before}")
    expect(asks("GET", "/api/shop")).to eq(401)
  end

  it "says the same of a wrong name and a wrong password, and locks the name after ten" do
    said = %w[Nobody Owner].map { |name| log_in(name, "wrong #{name}") && problem(401)["detail"] }
    expect(said.uniq.size).to eq(1)
    expect(Array.new(10) { log_in("Owner", "wrong again") }.last).to eq(403)
    expect(log_in("Owner")).to eq(403)
    problem(403)
    db[:account_lockouts].update(deadline: Time.now.utc - 1)
    expect(log_in("Owner")).to eq(200)
  end

  it "lets nobody try on and on, from one address or from many" do
    codes = Array.new(12) { |try| asks("POST", "/api/pairings/use", { code: "acorn #{try}", name: "x" }) }
    expect(codes.tally).to eq(422 => 10, 429 => 2)
    problem(429)
    expect(last_response.headers["retry-after"]).to eq("300")
    token = session["csrf"]
    others =
      (1..100).map do |n|
        header "X-CSRF-Token", token
        env("REMOTE_ADDR", "10.0.0.#{n}")
        ask("POST", "https://localhost/api/pairings/use", { code: "oak", name: "x" }).status
      end
    expect(others.tally).to eq(422 => 50, 429 => 50)
    # The count begins anew when its time is over.
    db[:attempts].update(ends_at: Time.now - 1)
    expect(asks("POST", "/api/pairings/use", { code: "acorn", name: "x" })).to eq(422)
  end

  it "never meets a pairing code by ten thousand guesses" do
    known = devices.code(person("owner"), clock.now)
    seldom = Random.new(4)
    words = MossyAnvil::Server::PairingWords::WORDS
    hits = (1..10_000).count { devices.pair(Array.new(5) { words.sample(random: seldom) }.join(" "), "x", clock.now) }
    expect([hits, words.uniq.size**5 > 10**12]).to eq([0, true])
    expect(devices.pair(known, "x", clock.now)).to be_a(String)
  end

  it "changes nothing without the token of the page's own session" do
    log_in("Owner")
    header "X-CSRF-Token", nil
    ask("POST", "https://localhost/api/blanks", { document: blank_data })
    expect([last_response.status, db[:blanks].count]).to eq([403, 0])
    expect(asks("POST", "/api/blanks", { document: blank_data })).to eq(201)
  end

  it "answers to the names of the network alone" do
    %w[shop.local localhost elsewhere.test].zip([200, 200, 403]) do |host, code|
      get("/api/session", {}, "HTTP_HOST" => host)
      expect([host, last_response.status]).to eq([host, code])
    end
  end

  describe "a pairing code" do
    before { log_in("Owner") }

    it "brings one device in, once, for five minutes, under a name" do
      asks("POST", "/api/pairings", { person_id: person("learner") })
      offered = JSON.parse(last_response.body)
      expect(offered).to include(
        "picture" => match(/<svg/),
        "address" => match(%r{\Ahttps://shop.local:4381/pair#code=})
      )
      stranger
      expect(asks("POST", "/api/pairings/use", { code: offered["code"], name: "Apron" })).to eq(201)
      expect(session["person"]["name"]).to eq("Learner")
      expect(asks("POST", "/api/pairings/use", { code: offered["code"], name: "Apron" })).to eq(422)
      expect(problem(422)["errors"].first["pointer"]).to eq("/code")
      expect(db[:devices].select_map(:name)).to eq(["Apron"])
    end

    it "is over after five minutes, and kept as its sum alone" do
      words = devices.code(person("owner"), clock.now)
      expect(db[:pairings].select_map(:code_sum).join).not_to include(words.split.first)
      clock.now += 301
      expect(devices.pair(words, "x", clock.now)).to be_nil
    end

    it "is for oneself, unless an owner asks for another" do
      stranger
      as_device_of("maker")
      expect(asks("POST", "/api/pairings", {})).to eq(201)
      expect(asks("POST", "/api/pairings", { person_id: person("owner") })).to eq(403)
    end
  end

  it "lets a device in until it is revoked, and keeps its token as a sum alone" do
    as_device_of("maker")
    expect(asks("GET", "/api/shop")).to eq(200)
    token = rack_mock_session.cookie_jar["mossy_anvil_device"]
    expect(db[:devices].first.values.join(" ")).not_to include(token)
    own = JSON.parse(ask("GET", "https://localhost/api/devices", nil).body)["devices"].first
    expect(asks("DELETE", "/api/devices/#{own["id"]}")).to eq(200)
    expect(asks("GET", "/api/shop")).to eq(401)
  end

  it "lets nobody revoke another's device but an owner" do
    owners = devices.add(person("owner"), "desk", clock.now) && db[:devices].get(:id)
    as_device_of("maker")
    expect(asks("DELETE", "/api/devices/#{owners}")).to eq(404)
    stranger
    as_device_of("owner")
    expect(asks("DELETE", "/api/devices/#{owners}")).to eq(200)
  end

  describe "a password" do
    it "is long, no common one, and without the name" do
      log_in("Owner")
      { "short" => /short/, "q1w2e3r4t5y6" => /everybody/, "this maker sits" => /name/ }.each do |given, said|
        asks("PUT", "/api/people/#{person("maker")}/password", { password: given })
        expect(problem(422)["errors"].first.values.join(" ")).to match(said)
      end
      expect(asks("PUT", "/api/people/#{person("maker")}/password", { password: "wet elm in March" })).to eq(200)
      expect(db[:account_password_hashes].select_map(:password_hash)).to all(start_with("$argon2id$"))
    end

    it "of one's own takes the old one, and whoever was in by that is out" do
      log_in("Learner")
      kept = rack_mock_session.cookie_jar["mossy_anvil_session"]
      path = "/api/people/#{person("learner")}/password"
      expect(asks("PUT", path, { password: "wet elm in March", old: "not it" })).to eq(422)
      expect(problem(422)["errors"].first["pointer"]).to eq("/old")
      expect(asks("PUT", "/api/people/#{person("owner")}/password", { password: "wet elm in March" })).to eq(403)
      expect(asks("PUT", path, { password: "wet elm in March", old: OnePassword::PLAIN })).to eq(200)
      keep("mossy_anvil_session=#{kept}")
      expect(asks("GET", "/api/shop")).to eq(401)
      expect(log_in("Learner", "wet elm in March")).to eq(200)
    end
  end

  describe "one-time codes" do
    let(:codes) { ROTP::TOTP.new(@secret) }

    def set_up
      log_in("Owner")
      asks("POST", "/api/one-time-codes")
      offered = JSON.parse(last_response.body)
      expect(offered["picture"]).to include("<svg")
      @secret = offered["secret"]
      asks("PUT", "/api/one-time-codes", { secret: @secret, code: codes.at(clock.now), password: OnePassword::PLAIN })
    end

    it "are taken with one's own password and a code that shows that the app has the secret" do
      expect(set_up).to eq(200)
      expect(session["codes"]).to be(true)
      right = { secret: @secret, code: codes.at(clock.now), password: OnePassword::PLAIN }
      { code: "000000", password: "no" }.each do |name, wrong|
        expect(asks("PUT", "/api/one-time-codes", { **right, name => wrong })).to eq(422)
        expect(problem(422)["errors"].first["pointer"]).to eq("/#{name}")
      end
    end

    it "are asked for after the password, until then nobody is in, and a code counts once" do
      set_up
      stranger
      expect(log_in("Owner")).to eq(200)
      expect(session).to include("person" => nil, "code_wanted" => true)
      expect(asks("GET", "/api/shop")).to eq(401)
      expect(asks("POST", "/api/one-time-code", { code: "000000" })).to eq(401)
      problem(401)
      # The code they were set up with has been used.
      expect(asks("POST", "/api/one-time-code", { code: codes.now })).to eq(401)
      db[:account_otp_keys].update(last_use: Time.now - 60)
      expect(asks("POST", "/api/one-time-code", { code: codes.now })).to eq(200)
      expect(session["person"]["name"]).to eq("Owner")
      stranger
      log_in("Owner")
      expect(asks("POST", "/api/one-time-code", { code: codes.now })).to eq(401)
    end

    it "are done without again by one's own password, or by an owner who gives a new one" do
      set_up
      expect(asks("POST", "/api/one-time-codes/off", { password: "no" })).to eq(422)
      expect(asks("POST", "/api/one-time-codes/off", { password: OnePassword::PLAIN })).to eq(200)
      expect(session["codes"]).to be(false)
      log_ins.use_codes(person("learner"), @secret)
      expect(asks("PUT", "/api/people/#{person("learner")}/password", { password: "wet elm in March" })).to eq(200)
      expect(log_ins.codes?(person("learner"))).to be(false)
    end
  end

  it "gets everybody out of one account at once" do
    token = devices.add(person("learner"), "phone", clock.now)
    log_in("Learner")
    asks("POST", "/api/session/end", { everywhere: true })
    keep("mossy_anvil_device=#{token}")
    expect(asks("GET", "/api/shop")).to eq(401)
  end

  it "writes down who did what" do
    as_device_of("learner")
    asks("POST", "/api/blanks", { document: blank_data })
    id = JSON.parse(last_response.body)["id"]
    asks("POST", "/api/blanks/#{id}/journal", { key: SecureRandom.uuid, kind: "note", note: "looked at" })
    asks("POST", "/api/blanks/#{id}/readings", { reading: { kind: "mass", value: 900 } })
    asks("GET", "/api/blanks/#{id}")
    kept = JSON.parse(last_response.body)
    expect(kept["journal"].map { |entry| entry["by"] }).to eq(["Learner"])
    expect(kept["document"]["readings"].map { |reading| reading["by"] }).to eq(["Learner"])
  end

  describe "a card" do
    let(:card) do
      document = JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::ROOT, "demo", "35-*.anvil.json")].first))
      asks("POST", "/api/blanks", { document: document })
      asks("POST", "/api/blanks/#{JSON.parse(last_response.body)["id"]}/card", { key: SecureRandom.uuid })
      JSON.parse(last_response.body)
    end
    let(:line) { card["next_line"] }

    def marks(kind)
      asks("POST", "/api/cards/#{card["id"]}/marks", { key: SecureRandom.uuid, line: line, kind: kind })
    end

    def stop
      trouble = card["steps"].first["troubles"].find { |one| one["asks"].nil? }
      asks("POST", "/api/cards/#{card["id"]}/troubles", { key: SecureRandom.uuid, line: line, trouble: trouble["key"] })
      JSON.parse(last_response.body)["stopped"]
    end

    it "that was stopped is not gone on with by a learner until a maker has released it" do
      as_device_of("learner")
      expect(stop).to be(true)
      expect([marks("done"), marks("released")]).to eq([403, 403])
      problem(403)
      stranger
      as_device_of("maker")
      expect(marks("released")).to eq(201)
      expect(JSON.parse(last_response.body)["stopped"]).to be(false)
      stranger
      as_device_of("learner")
      expect(marks("done")).to eq(201)
      expect(db[:card_marks].where(kind: "released").select_map(:by)).to eq(["Maker"])
    end

    it "that was stopped is gone on with by a maker as ever" do
      as_device_of("maker")
      expect([stop, marks("done")]).to eq([true, 201])
    end

    it "holds stock that a learner does not take, nor counts anew or throws away" do
      as_device_of("maker")
      asks("POST", "/api/stores/products", { name: "Clear", kind: "resins", like: "casting_epoxy", pack_g: 500 })
      product = JSON.parse(last_response.body)["products"].first["id"]
      asks("POST", "/api/stores/lots", { key: SecureRandom.uuid, product_id: product, grams: 500, code: "a" })
      lot = db[:lots].get(:id)
      db[:reservations].insert(card_id: card["id"], key: "casting_epoxy", part: "", grams: 480)
      stranger
      as_device_of("learner")
      move = ->(grams, reason) do
        asks("POST", "/api/stores/moves", { key: SecureRandom.uuid, lot_id: lot, grams: grams, reason: reason })
      end
      expect([move.call(-10, "thrown_out"), move.call(5, "counted"), move.call(-21, "used")]).to eq([403, 403, 403])
      expect([move.call(-10, "used"), move.call(10, "bought")]).to eq([201, 201])
    end
  end

  it "keeps no name of anybody's password, token or code in the log" do
    log_in("Owner")
    as_device_of("maker")
    asks("GET", "/api/shop")
    expect(log.string).not_to match(
      /#{OnePassword::PLAIN}|argon2|#{rack_mock_session.cookie_jar["mossy_anvil_device"]}/
    )
  end

  # Every operation of the contract, by everybody: let in or not. What is let in may still be refused for what it asks.
  it "gives everybody the rights of their role, for every operation of the contract" do
    roles = [nil, *MossyAnvil::Server::Caller::ROLES]
    operations =
      MossyAnvil::Server::Contract.new.operations.reject { |one| one[:template].match?(/log-in\z|one-time-code\z/) }
    refusal = Hash.new(403).merge(nil => 401)
    wrong =
      roles.flat_map do |role|
        stranger
        keep("mossy_anvil_device=#{devices.add(person(role), "phone", clock.now)}") if role
        token = session["csrf"]
        operations.filter_map do |operation|
          db[:attempts].delete
          db[:devices].update(revoked_at: nil)
          header "X-CSRF-Token", token
          path = operation[:template].gsub("{name}", "woods").gsub(/\{\w+\}/, "999")
          code = ask(operation[:method], "https://localhost#{path}", operation[:method] == "GET" ? nil : {}).status
          least = operation[:role]
          right = least == "anyone" || (role && roles.index(role) >= roles.index(least))
          let_in = ![401, 403].include?(code)
          [operation[:template], role, code] unless right ? let_in : code == refusal[role]
        end
      end
    expect(wrong).to eq([])
    expect(operations.map { |one| one[:role] } - ["anyone", *roles]).to eq([])
  end
end
