# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Process::Ports do
  let(:said) { [] }
  let(:say) { ->(text) { said << text } }

  # Holds the next port from one on that is free, and yields it.
  def with_taken
    TCPServer.open("127.0.0.1", 0) { |server| yield server.addr[1] }
  end

  def given(**settings)
    stub_const("ENV", ENV.to_h.except("PORT").merge(settings.transform_keys(&:to_s)))
  end

  it "takes the next that is free, and says so" do
    with_taken do |port|
      found = described_class.free_from(port, say)
      expect(found).to be_between(port + 1, port + 50)
      expect(said).to eq(["Port #{port} is taken; using #{found}"])
    end
  end

  it "takes the one that was chosen, and ends where that is taken or none" do
    port = with_taken { |taken| taken }
    given(PORT: port.to_s)
    expect(described_class.chosen(say)).to eq(port)
    with_taken do |taken|
      given(PORT: taken.to_s)
      expect { described_class.chosen(say) }.to raise_error(SystemExit).and output(/Port #{taken} is taken/).to_stderr
    end
    %w[0 65536 4380.5 four].each do |wrong|
      given(PORT: wrong)
      expect { described_class.chosen(say) }.to raise_error(SystemExit).and output(
              /PORT is "#{wrong}": a whole number from 1 to 65535 is needed/
            ).to_stderr
    end
  end

  it "reads a port that a setting names, and none where it names none" do
    given(LAN_PORT: "4399")
    expect(described_class.given("LAN_PORT")).to eq(4399)
    expect(described_class.given("OTHER_PORT")).to be_nil
  end
end
