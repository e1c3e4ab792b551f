# frozen_string_literal: true

require_relative "server_helper"

# The processes that work the queue, as they really run.
RSpec.describe "Processes at the queue", :server do
  let(:asked) do
    document = blank_data(defects: [crack(id: "a", z_mm: [0, 60], depth_mm: 30)], form: BlankHelper::BOWL)
    {
      document: JSON.parse(JSON.generate(document)),
      wishes: [{ key: "lose_cracks", weight: 1 }],
      may_change: %w[slide centre size]
    }
  end

  before do
    # Those that were killed leave their names behind.
    %i[que_jobs que_lockers].each { |table| db[table].delete }
    @pids = []
  end

  after do
    @pids.each do |pid|
      Process.kill("KILL", pid)
      Process.wait(pid)
    rescue Errno::ESRCH, Errno::ECHILD
      next
    end
  end

  def said = @said ||= File.join(Dir.mktmpdir("worker"), "log")

  def worker
    Process
      .spawn(
        { "DATABASE_URL" => ServerHelper.url },
        RbConfig.ruby,
        "-r#{MossyAnvil::Server::ROOT}/vendor/bundle/bundler/setup",
        "#{MossyAnvil::Server::ROOT}/server/entry/work.rb",
        out: [said, "a"],
        err: [said, "a"]
      )
      .tap { |pid| @pids << pid }
  end

  def ask_search(wanted = asked)
    ask("POST", "/api/searches", wanted)
    expect(last_response.status).to eq(202), last_response.body
    answer["id"]
  end

  def parts(id) = db[:search_parts].where(search_id: id).order(:part).all
  def search(id) = ask("GET", "/api/searches/#{id}") && answer_as("Search")

  it "work a search from its first answers to its end, and go when they are told" do
    id = ask_search
    pid = worker
    wait_until(60) { search(id)["answers"].any? }
    wait_until(90) { parts(id).all? { |part| part[:ended] } }
    expect(search(id)).to include("state" => "ended", "problem" => nil)
    expect(db[:que_jobs].count).to eq(0)
    Process.kill("TERM", pid)
    _, status = Process.wait2(pid)
    expect(status).to be_success
  end

  it "killed in the middle, leave their part to another, who begins it again; what the rest found stays" do
    id = ask_search
    first = worker
    wait_until(60) { parts(id).any? { |part| part[:done].positive? } }
    Process.kill("KILL", first)
    Process.wait(first)
    expect(parts(id).all? { |part| part[:ended] }).to be(false)
    worker
    wait_until(90) { parts(id).all? { |part| part[:ended] } }
    found = search(id)
    expect(found).to include("state" => "ended", "problem" => nil, "done" => found["of"])
    expect(found["answers"].map { |row| row["worth"] }.max).to be >= found["present"]["worth"]
  end

  it "stop between two climbs when nobody wants it any more" do
    id = ask_search
    worker
    wait_until(60) { parts(id).any? { |part| part[:done].positive? } }
    ask("DELETE", "/api/searches/#{id}")
    expect(answer_as("Search")["state"]).to eq("stopped").or eq("ended")
    wait_until(60) { db[:que_jobs].empty? }
    expect(parts(id).sum { |part| part[:done] }).to be <= answer["of"]
    expect(search(id)["answers"]).not_to be_empty
  end

  it "say in the search and in the log what broke, after trying again" do
    id = ask_search
    db[:searches].where(id: id).update(asked: Sequel.pg_jsonb_wrap("document" => asked[:document]))
    worker
    wait_until(60) { parts(id).all? { |part| part[:ended] } }
    expect(parts(id).map { |part| part[:problem] }).to all(include("Something broke while searching"))
    faults = File.readlines(said).grep(/job_fault/).map { |line| JSON.parse(line) }
    expect(faults).not_to be_empty
    expect(faults.first).to include("path" => "MossyAnvil::Server::Jobs::SearchJob", "error" => "NoMethodError")
  end

  it "go by themselves where the database goes, to be started anew" do
    pid = worker
    wait_until(30) { db.fetch("SELECT count(*) AS count FROM que_lockers").first[:count].positive? }
    db.run("SELECT pg_terminate_backend(pid) FROM que_lockers")
    status = nil
    wait_until(30) { (_, status = Process.wait2(pid, Process::WNOHANG)) && status }
    expect(status.exitstatus).to eq(1)
  end
end
