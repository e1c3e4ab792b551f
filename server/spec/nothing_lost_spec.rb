# frozen_string_literal: true

require_relative "card_helper"

RSpec.describe "Nothing lost, nothing half kept", :server do
  let(:lathe) { JSON.parse(JSON.generate(BlankHelper::LATHE)) }

  def key = SecureRandom.uuid
  def at_once(count, &work) = Array.new(count) { |turn| Thread.new { work.call(turn) } }.map(&:value)

  # Asks as another browser would, at the same time.
  def elsewhere(method, path, body)
    Rack::MockRequest.new(app).request(
      method,
      path,
      "HTTP_HOST" => "localhost",
      "CONTENT_TYPE" => "application/json",
      :input => JSON.generate(body)
    )
  end

  describe "A blank that is read while it is saved" do
    # Every save names the blank after how many defects it has.
    it "is read as it was at one moment" do
      kept = take_in(name: "1", defects: [crack(id: "c0")])
      saving =
        Thread.new do
          40.times do |turn|
            count = (turn % 5) + 1
            document =
              kept["document"].merge(
                "name" => count.to_s,
                "defects" => Array.new(count) { |place| JSON.parse(JSON.generate(crack(id: "c#{place}"))) }
              )
            MossyAnvil::Server::Store::Blanks.new(db).save(
              kept["id"],
              turn + 1,
              document,
              db[:blanks].where(id: kept["id"]).first.slice(:ready, :note)
            )
          end
        end
      seen = []
      while saving.alive?
        seen << MossyAnvil::Server::Store::Blanks.new(db).find(kept["id"])[:document].then do |document|
          [document["name"].to_i, document["defects"].size]
        end
      end
      saving.join
      expect(seen.size).to be > 20
      expect(seen.reject { |name, count| name == count }).to eq([])
    end
  end

  describe "What is sent twice" do
    it "counts once: a lot, a stock movement, a card's end, a card opened anew" do
      ask("POST", "/api/stores/products", { name: "Clear", kind: "resins", like: "casting_epoxy_deep", pack_g: 1000 })
      product = answer["products"].first["id"]
      lot = { product_id: product, code: "x", grams: 500, key: key, part: "resin" }
      3.times { ask("POST", "/api/stores/lots", lot) }
      expect(answer["products"].first["lots"].map { |own| own["left_g"] }).to eq([500])

      id = take_in(defects: [crack])["id"]
      opening = { key: key }
      2.times { ask("POST", "/api/blanks/#{id}/card", opening) }
      card = answer_as("Card")["id"]
      ending = { key: key }
      statuses = Array.new(2) { ask("POST", "/api/cards/#{card}/end", ending).status }
      expect([statuses, db[:journal].where(blank_id: id).count]).to eq([[200, 200], 1])
      ask("POST", "/api/cards/#{card}/end", { key: key })
      problem(422)
      # The same opening, come late: it is that card, not another.
      ask("POST", "/api/blanks/#{id}/card", opening)
      expect([answer_as("Card")["id"], db[:cards].count]).to eq([card, 1])
    end

    it "counts once also where both come at the same time" do
      id = take_in(defects: [crack])["id"]
      ask("POST", "/api/blanks/#{id}/card", { key: key })
      card, ending = answer["id"], { key: key }
      expect(at_once(6) { elsewhere("POST", "/api/cards/#{card}/end", ending).status }).to all(eq(200))
      expect(db[:journal].where(blank_id: id).count).to eq(1)
    end
  end

  describe "A number" do
    it "is another for each of eight that ask for the next at once" do
      file = JSON.parse(JSON.generate(blank_data(number: 5)))
      expect(at_once(8) { elsewhere("POST", "/api/blanks/import?number=next", file).status }).to all(eq(201))
      expect(db[:blanks].order(:number).select_map(:number)).to eq((1..8).to_a)
    end

    it "is the lowest that is free after the last there is" do
      [1, 2, 999_999].each { |number| take_in(number: number) }
      ask("GET", "/api/shop")
      expect(answer["next_number"]).to eq(3)
      ask("POST", "/api/blanks/import?number=next", blank_data(number: 1))
      expect(answer_as("KeptBlank")["document"]["number"]).to eq(3)
    end
  end

  describe "A blank that is put away" do
    it "is given no card, whoever is first" do
      id = take_in(defects: [crack])["id"]
      ask("PUT", "/api/blanks/#{id}/place", { put_away: true })
      ask("POST", "/api/blanks/#{id}/card", { key: key })
      expect(problem(422)["errors"].first).to include("pointer" => "/blank", "detail" => include("put it back"))
      20.times do
        MossyAnvil::Server::Store::Shops.new(db).clear
        own = take_in(defects: [crack])["id"]
        at_once(2) do |turn|
          if turn.zero?
            elsewhere("PUT", "/api/blanks/#{own}/place", { put_away: true })
          else
            elsewhere("POST", "/api/blanks/#{own}/card", { key: key })
          end
        end
        expect(db[:blanks].exclude(put_away_at: nil).join(:cards, blank_id: :id).where(ended_at: nil).count).to eq(0)
      end
    end
  end

  describe "A plan with two products of one class" do
    it "gets its card, with one amount of the class held" do
      ServerHelper.load_demo(clock.now)
      ask("GET", "/api/blanks/5")
      document = answer["document"]
      first, *rest = document["mend"]["steps"].select { |step| step["do"] == "cast" }
      expect(first).not_to be_nil
      again = first.merge("id" => "again")
      other = again.merge("sheet" => { "name" => "Another clear", "working_min" => 40 })
      both = document.except("readings").merge("mend" => { "steps" => [*document["mend"]["steps"], other] })
      ask("PUT", "/api/blanks/5", { version: answer["version"], document: both })
      expect(last_response.status).to eq(200), last_response.body
      ask("POST", "/api/blanks/5/card", { key: key })
      expect(last_response.status).to eq(201), last_response.body
      held = db[:reservations].select_map(%i[key part])
      expect(held).to eq(held.uniq)
      expect(rest).to eq([])
    end
  end

  describe "A line of a card that is ticked by a server which is killed in the middle" do
    include CardHelper

    # Stops whoever writes to the table right after it, until its backend is gone.
    def held_after(table)
      db.run(<<~SQL)
        CREATE FUNCTION hold_on() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN PERFORM pg_sleep(60); RETURN NULL; END $$;
        CREATE TRIGGER hold_on AFTER INSERT OR UPDATE ON #{table} FOR EACH ROW EXECUTE FUNCTION hold_on();
      SQL
      yield
    ensure
      db.run("DROP TRIGGER hold_on ON #{table}; DROP FUNCTION hold_on();")
    end

    def asleep = db[:pg_stat_activity].where(wait_event: "PgSleep").select_map(:pid)

    # Ticks it in a process of its own, and kills that once it has written to the table.
    def killed_after(table, card, line, **said)
      held_after(table) do
        killed =
          fork do
            own = MossyAnvil::Server::Store::Connection.open(ServerHelper.url)
            body = { "key" => key, "line" => line["key"], **said.transform_keys(&:to_s) }
            MossyAnvil::Server::Services::CardWork.new(
              own,
              climate: MossyAnvil::Report::ShopClimate.new,
              now: clock.now
            ).mark(card["id"], body)
          end
        wait_until { asleep.any? }
        Process.kill("KILL", killed)
        Process.wait(killed)
        asleep.each { |pid| db.get(Sequel.function(:pg_terminate_backend, pid)) }
        wait_until { asleep.empty? }
      end
    end

    def kept = %i[card_marks stock_moves waits].to_h { |table| [table, db[table].order(:id).all] }

    it "has all of line, stock and wait, or none, and is ticked again" do
      stocks = MossyAnvil::Server::Store::Stocks.new(db)
      about = { name: "slow", kind: "resins", like: "casting_epoxy_deep", pack_g: 1000, pack_price: 30, sheet: {} }
      stocks.add_lot(stocks.add_product(**about), 900, key, clock.now, part: "resin", code: "a", opened_on: nil)
      card = opened(35)
      resin = lines(card).find { |one| one["message"]["key"].start_with?("steps.cast.line.resin") }
      wait = line(card, "cast.line.next_layer")
      before = kept
      killed_after(:stock_moves, card, resin, kind: "done", value: 260)
      killed_after(:card_marks, card, resin, kind: "done", value: 260)
      killed_after(:waits, card, wait, kind: "started")
      killed_after(:card_marks, card, wait, kind: "started")
      expect(kept).to eq(before)
      mark(card, resin, value: 260)
      mark(card, wait, "started")
      expect(kept.transform_values(&:size)).to eq(
        before.transform_values(&:size).merge(card_marks: 2, stock_moves: before[:stock_moves].size + 1, waits: 1)
      )
    end
  end

  describe "A change that many blanks feel" do
    before { 3.times { |turn| take_in(name: "No #{turn}", lathe: lathe, readings: [reading(moisture_pct: 22)]) } }

    def reading(moisture_pct:) =
      {
        kind: "moisture",
        value: moisture_pct,
        taken_at: "2030-04-20T10:00:00Z",
        at: {
          clock_deg: 0,
          z_mm: 20
        },
        depth_mm: 10
      }
    def waits = db[:blanks].order(:id).select_map(%i[ready wait_ends_at])
    def air(temperature_c, humidity) =
      work("PUT", "/api/shop/air", { temperature_c: temperature_c, humidity: humidity })

    it "comes with its progress, and is all there at its end" do
      task = air(12, 0.6)
      expect(task).to include(
        "kind" => "air",
        "state" => "ended",
        "done" => 3,
        "of" => 3,
        "problem" => nil,
        "result" => {
          "temperature_c" => 12,
          "humidity" => 0.6
        }
      )
    end

    it "gives a drying clock back that a damp shop took: everything on the rack is reckoned anew" do
      ask(
        "POST",
        "/api/blanks",
        {
          document:
            JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "39-*.anvil.json")].first))
        }
      )
      air(20, 0.5)
      before = waits
      expect(before.filter_map(&:last).size).to eq(1)
      air(20, 0.95)
      expect(waits.filter_map(&:last)).to eq([])
      air(20, 0.5)
      expect(waits).to eq(before)
    end

    it "leaves everything as it was where it is cancelled, or breaks at the last blank" do
      before = [db[:shop].all, waits, db[:lathes].all]
      ask("PUT", "/api/shop/air", { temperature_c: 4, humidity: 0.9 })
      id = answer_as("Task")["id"]
      ask("DELETE", "/api/tasks/#{id}")
      expect(worked(id)).to include("state" => "stopped", "result" => nil)
      expect([db[:shop].all, waits, db[:lathes].all]).to eq(before)

      allow(MossyAnvil::Report::Assessment).to(
        receive(:new).and_wrap_original do |original, blank, **how|
          blank.name == "No 2" ? raise("broken") : original.call(blank, **how)
        end
      )
      ask("PUT", "/api/lathes/#{db[:lathes].get(:id)}", { name: "other", lathe: lathe.merge("mass_kg" => 999) })
      id = answer_as("Task")["id"]
      expect { worked(id) }.to raise_error("broken")
      expect([db[:shop].all, waits, db[:lathes].all]).to eq(before)
    end

    it "takes along what is saved while it is worked out" do
      id = db[:blanks].max(:id)
      step =
        lambda do |done, _|
          next unless done == 3

          kept = MossyAnvil::Server::Store::Blanks.new(db).find(id)
          ask(
            "PUT",
            "/api/blanks/#{id}",
            { version: kept[:version], document: kept[:document].except("readings").merge("name" => "Meanwhile") }
          )
          expect(last_response.status).to eq(200)
        end
      change =
        MossyAnvil::Server::Services::AirChange.new(
          db,
          { asked: { "temperature_c" => 8.0, "humidity" => 0.8, "now" => clock.now.iso8601 } },
          step
        )
      change.prepare
      db.transaction { change.apply }
      expected = waits
      air(8, 0.8)
      expect([db[:blanks].where(id: id).get(:name), waits]).to eq(["Meanwhile", expected])
    end

    it "is worked out again where the air became another meanwhile" do
      ask(
        "POST",
        "/api/blanks",
        {
          document:
            JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "39-*.anvil.json")].first))
        }
      )
      id = db[:blanks].exclude(wait_ends_at: nil).get(:lathe_id)
      own = MossyAnvil::Server::Store::Lathes.new(db).all.find { |row| row[:id] == id }
      heavier = JSON.parse(JSON.generate(own[:lathe])).merge("mass_kg" => 999)
      change =
        MossyAnvil::Server::Services::LatheChange.new(
          db,
          { asked: { "id" => id, "name" => own[:name], "lathe" => heavier, "now" => clock.now.iso8601 } },
          lambda { |*| }
        )
      change.prepare
      air(20, 0.95)
      db.transaction { change.apply }
      expect(waits.filter_map(&:last)).to eq([])
    end

    it "is refused at once where the name is another lathe's, and the one that is beaten to it says so at its end" do
      first = db[:lathes].get(:id)
      ask("POST", "/api/lathes", { name: "taken", lathe: lathe.merge("mass_kg" => 77) })
      ask("PUT", "/api/lathes/#{first}", { name: "taken", lathe: lathe })
      expect(problem(409)["errors"].first["pointer"]).to eq("/name")
      ask("PUT", "/api/lathes/#{first}", { name: "free", lathe: lathe })
      id = answer_as("Task")["id"]
      db[:lathes].where(name: "taken").update(name: "free")
      expect(worked(id)).to include(
        "state" => "failed",
        "problem" => include("status" => 409, "errors" => [include("pointer" => "/name")])
      )
    end
  end

  describe "A blank that takes too much to calculate" do
    # Gives up on whatever is worked out, and checks as ever.
    let(:tired) do
      Class.new(MossyAnvil::Server::Calculation::Calculator::Here) do
        def ask(question, given = {}, bytes = "", **) =
          given[:unbriefed] ? super : raise(MossyAnvil::Server::Calculation::Calculator::TooCostly, question)
      end
    end

    before { @app = MossyAnvil::Server::App.serve(db: db, clock: clock, log: log, calculator: tired.new) }

    it "is kept all the same, saved and read, and checked as any other" do
      kept = take_in(name: "heavy", defects: [crack])
      ask("PUT", "/api/blanks/#{kept["id"]}", { version: 1, document: kept["document"].merge("name" => "heavier") })
      expect(answer_as("KeptBlank")["document"]["name"]).to eq("heavier")
      ask("POST", "/api/blanks/#{kept["id"]}/readings", { reading: { kind: "mass", value: 1200 } })
      expect(answer_as("KeptBlank")["document"]["readings"].size).to eq(1)
      ask("GET", "/api/shop")
      expect(answer_as("Shop")["rack"]).to contain_exactly(
        include("name" => "heavier", "ready" => true, "note" => "survey", "wait" => nil)
      )
      ask(
        "PUT",
        "/api/blanks/#{kept["id"]}",
        { version: 2, document: kept["document"].merge("defects" => [crack(depth_mm: 9000)]) }
      )
      expect(problem(422)["errors"].first["pointer"]).to start_with("/document/defects/0")
      ask("POST", "/api/reckon", { document: kept["document"] })
      expect(problem(422)["title"]).to eq("Too much to calculate")
    end
  end

  describe "A full disk" do
    # The database says so as it does where its disk is full.
    def full
      db.run(<<~SQL)
        CREATE OR REPLACE FUNCTION full_disk() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'No space left on device' USING ERRCODE = 'disk_full'; END $$;
        CREATE TRIGGER full_disk BEFORE INSERT ON defects FOR EACH ROW EXECUTE FUNCTION full_disk();
      SQL
      yield
    ensure
      db.run("DROP TRIGGER full_disk ON defects; DROP FUNCTION full_disk()")
    end

    it "is said, keeps nothing by halves, and is over when there is room" do
      full do
        ask("POST", "/api/blanks", { document: blank_data(defects: [crack]) })
        expect(problem(507)["detail"]).to include("Make room")
        expect(db[:blanks].count).to eq(0)
      end
      take_in(defects: [crack])
    end

    it "of the log makes no request fail" do
      @app = MossyAnvil::Server::App.serve(db: db, clock: clock, log: File.open("/dev/full", "w"))
      take_in
      expect(db[:blanks].count).to eq(1)
    end
  end
end

RSpec.describe MossyAnvil::Server::SteadyLog do
  # Takes lines while there is room.
  let(:disk) do
    Class
      .new do
        attr_accessor :room
        attr_reader :lines

        def write(text) = @room ? (@lines ||= []) << text : raise(Errno::ENOSPC)
      end
      .new
  end

  it "drops what cannot be written, and says how much once there is room" do
    log = described_class.new(disk)
    3.times { log << "a\n" }
    disk.room = true
    log << "b\n"
    expect(disk.lines).to eq(["{\"event\":\"lines_dropped\",\"lines\":3}\n", "b\n"])
    log.puts("c", ["d"])
    expect(disk.lines.last(2)).to eq(%W[c\n d\n])
  end
end
