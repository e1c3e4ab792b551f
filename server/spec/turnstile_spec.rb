# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Store::Turnstile, :server do
  let(:own) { MossyAnvil::Server::Store::Connection.open(ServerHelper.url) }
  let(:most) { MossyAnvil::Server::Store::Connection::MOST }

  after { own.disconnect }

  # Processor time of one question, asked by so many threads.
  def cpu_each(threads, each: 60)
    clock = -> { Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) }
    began = clock.call
    Array.new(threads) { Thread.new { each.times { own[:people].first } } }.each(&:join)
    (clock.call - began) / (threads * each)
  end

  it "costs many threads no more for a question than few" do
    cpu_each(most)
    expect(cpu_each(4 * most) / cpu_each(most)).to be < 4
  end

  it "lets as many at it as there are connections, and one that is in again" do
    inside, seen = 0, []
    threads =
      Array.new(3 * most) do
        Thread.new do
          own.synchronize do
            own.synchronize { seen << (inside += 1) }
            own.get(Sequel.function(:pg_sleep, 0.02))
            inside -= 1
          end
        end
      end
    threads.each(&:join)
    expect([seen.size, seen.max]).to match([3 * most, be <= most])
  end

  it "gives its place back where the question fails" do
    (2 * most).times { expect { own.run("SELECT nonsense") }.to raise_error(Sequel::DatabaseError) }
    expect(own.get(1)).to eq(1)
  end

  it "says at once that there is too much to do where too many wait" do
    stub_const("#{described_class}::MOST_WAITING", 2)
    pool = Class.new { def hold = yield }.new
    pool.singleton_class.prepend(described_class.new(1))
    over = Thread::Queue.new
    threads = [Thread.new { pool.hold { over.pop } }]
    wait_until { threads.first.stop? }
    threads.concat(Array.new(2) { Thread.new { pool.hold { :in } } })
    wait_until { threads.all?(&:stop?) }
    expect { pool.hold { nil } }.to raise_error(Sequel::PoolTimeout)
    over << :end
    expect(threads.map(&:value)).to eq(%i[end in in])
    expect(pool.hold { :in }).to eq(:in)
  end
end
