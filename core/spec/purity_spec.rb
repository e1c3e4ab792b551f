# frozen_string_literal: true

# The core knows the job and nothing else.
RSpec.describe "The core" do
  files = Dir[File.expand_path("../lib/**/*.rb", __dir__)]

  it "requires only Ruby's library, numo, and the libraries of schemas and texts" do
    required = files.flat_map { |file| File.read(file).scan(/^\s*require "([^"]+)"/).flatten }.uniq
    expect(required).to match_array(%w[zeitwerk i18n cgi csv json yaml time numo/narray numo/pocketfft json_schemer])
  end

  it "has no clock, no chance, no environment and no I/O but its own data" do
    outside = /Time\.now|Date\.today|\brand\b|Random|ENV\b|\bputs\b|\$std|Socket|File\.(write|open)|`/
    offenders = files.reject { |file| File.read(file).gsub(/#.*/, "").scan(outside).empty? }
    expect(offenders).to eq([])
  end
end
