# frozen_string_literal: true

require_relative "server_helper"

# Several reckonings at once would hold the memory of all and end no sooner.
RSpec.describe MossyAnvil::Server::Services::Reckoner do
  let(:document) { JSON.parse(File.read(File.expand_path("../../demo/33-lamp-base.anvil.json", __dir__))) }

  it "works out one at a time in a process, whoever asks" do
    under_way = most = 0
    allow(MossyAnvil::Report::Assessment).to receive(:new).and_wrap_original do |original, *given, **more|
      most = [most, under_way += 1].max
      Thread.pass
      original.call(*given, **more).tap { |made| made.to_h && (under_way -= 1) }
    end
    answers =
      Array
        .new(4) do
          Thread.new do
            described_class.new(MossyAnvil::Report::ShopClimate.new, now: Time.utc(2030, 6, 1)).assess(document)
          end
        end
        .map(&:value)
    expect([answers.uniq.size, most]).to eq([1, 1])
  end

  it "lets the next one in after one that was refused" do
    reckoner = described_class.new(MossyAnvil::Report::ShopClimate.new, now: Time.utc(2030, 6, 1))
    expect { reckoner.assess(document.merge("name" => "")) }.to raise_error(MossyAnvil::InvalidInput)
    expect(reckoner.assess(document)[:number]).to eq(33)
  end
end
