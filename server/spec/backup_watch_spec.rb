# frozen_string_literal: true

require_relative "server_helper"
require "tmpdir"

RSpec.describe MossyAnvil::Server::Process::BackupWatch do
  it "looks a moment after the start and then every ten minutes, whether a backup is due" do
    Dir.mktmpdir do |path|
      folder = MossyAnvil::Server::Services::BackupFolder.new(path)
      seconds = 0
      watch = described_class.new(folder, -> { seconds })
      later = Time.now + (30 * 3600)
      looked = [1, 3, 60, 700, 1200, 1400].map { |at| (seconds = at) && watch.due?(later) }
      expect(looked).to eq([false, true, false, true, false, true])
      seconds = 5000
      expect(watch.due?(Time.now)).to be(false)
      expect(watch.path).to eq(path)
    end
  end
end
