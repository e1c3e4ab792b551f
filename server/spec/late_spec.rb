# frozen_string_literal: true

require_relative "server_helper"

# What a device did while no server answered comes late, with how long ago it was.
RSpec.describe "What comes late", :server do
  let(:key) { SecureRandom.uuid }

  it "is kept with the time it was done, whatever clock the device has, and once" do
    id = take_in["id"]
    2.times do
      ask("POST", "/api/blanks/#{id}/journal", { key: key, kind: "note", note: "late", ago_s: 3600 })
      ask("POST", "/api/blanks/#{id}/readings", { key: key, ago_s: 1800, reading: { kind: "mass", value: 900 } })
      expect(last_response.status).to eq(201)
    end
    kept = ask("GET", "/api/blanks/#{id}") && answer_as("KeptBlank")
    expect(kept["journal"].map { |entry| entry["logged_at"] }).to eq(["2030-05-01T11:00:00Z"])
    expect(kept["document"]["readings"].map { |one| one["taken_at"] }).to eq(["2030-05-01T11:30:00Z"])
  end

  it "is refused where it was longer ago than anybody can tell" do
    id = take_in["id"]
    [-1, 700_000].each do |ago|
      ask("POST", "/api/blanks/#{id}/journal", { key: key, kind: "note", note: "x", ago_s: ago })
      expect(problem(422)["errors"].first["pointer"]).to eq("/ago_s")
    end
  end
end
