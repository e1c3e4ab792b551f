# frozen_string_literal: true

require_relative "server_helper"

# The processes that calculate, as they really run, with questions made up here.
RSpec.describe MossyAnvil::Server::Calculation::CalculationPool do
  let!(:folder) { Dir.mktmpdir("pool") }
  let(:path) { File.join(folder, "calculate") }
  let(:calculator) { MossyAnvil::Server::Calculation::Calculator.new(path) }

  # What the processes answer: by the question's name.
  def self.work(question, bytes)
    given = question["given"]
    case question["question"]
    when "echo"
      nil
    when "sleep"
      sleep(given["s"])
    when "spin", "rehearsed"
      loop { Math.sqrt(2) }
    when "regexp"
      "#{"a" * 45}!" =~ /\A(a|aa)+\z/
    when "swell"
      loop { (@held ||= []) << ("x" * 50_000_000) }
    when "note"
      File.write(given["file"], "#{given["name"]}\n", mode: "a")
    end
    [{ status: 200, type: "text/plain", pid: Process.pid }, bytes]
  end

  # The pool is forked from these tests, which hold much themselves: it gets what it may have on top of that. A second
  # of processor time is as good as three.
  before do
    stub_const("#{described_class}::SECONDS", 1)
    held = File.read("/proc/self/status")[/VmData:\s+(\d+)/, 1].to_i * 1024
    %w[MOST_BYTES RETIRE_BYTES].each do |name|
      stub_const("#{described_class}::#{name}", described_class.const_get(name) + held)
    end
    @pid =
      fork do
        described_class.new(path, size: 1, answer: ->(question, bytes) { self.class.work(question, bytes) }).run
        exit!(0)
      end
  end

  after do
    Process.kill("TERM", @pid)
    Process.wait(@pid)
    FileUtils.rm_rf(folder)
  end

  def ask(name, bytes = "", left: -> { false }, **given) = calculator.ask(name, given, bytes, left: left)

  it "gives back what was asked, bytes and all" do
    expect(ask("echo", "\x00\xFFbytes".b).to_a.first(3)).to eq([200, "text/plain", "\x00\xFFbytes".b])
  end

  # A pattern that tries every way there is never lets another thread of Ruby's run: only the kernel stops it.
  %w[spin regexp].each do |name|
    it "ends a question that takes more than it may (#{name}), says so, and answers the next" do
      expect { ask(name) }.to raise_error(
        MossyAnvil::Server::Calculation::Calculator::TooCostly,
        /more calculation \(1 s\)/
      )
      expect(ask("echo", "on").bytes).to eq("on")
    end
  end

  it "gives a rehearsal twice as long" do
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    expect { ask("rehearsed") }.to raise_error(
      MossyAnvil::Server::Calculation::Calculator::TooCostly,
      /more calculation \(2 s\)/
    )
    expect(Process.clock_gettime(Process::CLOCK_MONOTONIC) - began).to be >= 1.6
  end

  it "ends one that swells, and answers the next" do
    expect { ask("swell") }.to raise_error(MossyAnvil::Server::Calculation::Calculator::TooCostly, /memory \(\d+ MB\)/)
    expect(ask("echo", "on").bytes).to eq("on")
  end

  it "answers in the order it was asked" do
    file = File.join(folder, "order")
    first = Thread.new { ask("sleep", s: 2) }
    sleep 0.2
    others = Array.new(8) { |turn| Thread.new { ask("note", file: file, name: turn.to_s) }.tap { sleep 0.15 } }
    [first, *others].each(&:join)
    expect(File.readlines(file, chomp: true)).to eq((0..7).map(&:to_s))
  end

  it "passes over what nobody waits for any more, and stops what takes long when its asker goes" do
    file = File.join(folder, "order")
    busy = Thread.new { ask("sleep", s: 1) }
    sleep 0.2
    gone = Time.now + 0.3
    expect { ask("note", file: file, name: "nobody", left: -> { Time.now > gone }) }.to raise_error(
      MossyAnvil::Server::Calculation::Calculator::Left
    )
    busy.join
    ask("note", file: file, name: "last")
    expect(File.readlines(file, chomp: true)).to eq(["last"])
    before = ask("echo").about["pid"]
    soon = Time.now + 0.5
    expect { ask("sleep", s: 60, left: -> { Time.now > soon }) }.to raise_error(
      MossyAnvil::Server::Calculation::Calculator::Left
    )
    expect(ask("echo").about["pid"]).not_to eq(before)
  end

  it "takes the next process where one was killed before or while it answered" do
    pid = ask("echo").about["pid"]
    asked = Thread.new { ask("sleep", s: 0.5) }
    sleep 0.2
    Process.kill("KILL", pid)
    expect(asked.value.about["pid"]).not_to eq(pid)
  end

  it "waits for a pool that is starting again, and says so where it does not come" do
    stub_const("MossyAnvil::Server::Calculation::Calculator::RETURN_S", 0.3)
    expect { MossyAnvil::Server::Calculation::Calculator.new(File.join(folder, "nobody")).ask("echo") }.to raise_error(
      MossyAnvil::Server::Busy,
      /starting again/
    )
  end

  it "lets no more wait than it can remember" do
    stub_const("MossyAnvil::Server::Calculation::Calculator::MOST_WAITING", 2)
    waiting = Array.new(2) { Thread.new { ask("sleep", s: 0.6) } }
    sleep 0.2
    expect { ask("echo") }.to raise_error(MossyAnvil::Server::Busy, /waiting already/)
    waiting.each(&:join)
    expect(ask("echo").status).to eq(200)
  end
end

RSpec.describe MossyAnvil::Server::Calculation::Calculations do
  it "answers a fault of the program as a fault, with its place and nothing of what was asked in the log" do
    allow(MossyAnvil::Scan::Trace).to receive(:new) { raise "a secret" }
    lines = StringIO.new
    $stdout = lines
    about, bytes = described_class.answer({ "question" => "trace", "given" => {} }, "{}")
    expect([about[:status], bytes]).to match([422, a_string_including("is missing")])
    allow(MossyAnvil::Server::Contract.own).to receive(:check) { |_, body| body }
    about, bytes = described_class.answer({ "question" => "trace", "given" => {} }, "{}")
    expect([about[:status], JSON.parse(bytes)["title"]]).to eq([500, "Something broke in the server"])
    expect(lines.string).to include('"event":"fault"')
    expect(lines.string + bytes).not_to include("secret")
  ensure
    $stdout = STDOUT
  end
end
