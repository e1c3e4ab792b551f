# frozen_string_literal: true

require_relative "server_helper"

# What a gauge and a microphone say of the piece.
RSpec.describe "Balance and taps", :server do
  def balance(**asked) =
    ask("POST", "/api/reckon/balance", { amplitudes: [4.00, 3.09, 6.97, 4.10], trial_g_mm: 300, **asked })

  it "finds the heavy side, what puts it right, and what the survey did not say" do
    balance(radius_mm: 100, expected: { heavy_clock_deg: 130, imbalance_g_mm: 400 })
    found = answer_as("Balance")
    expect(found["heavy_clock_deg"]).to be_within(0.5).of(130)
    expect(found["weight_g"]).to be_within(0.05).of(4)
    expect(found["weight_clock_deg"]).to be_within(0.5).of(310)
    expect(found["unexpected"]).to be_nil
    balance(expected: { heavy_clock_deg: 310, imbalance_g_mm: 100 })
    expect(answer_as("Balance")).to include(
      "weight_g" => nil,
      "unexpected" => include("imbalance_g_mm" => be_within(2).of(500))
    )
  end

  it "refuses runs that tell nothing, each at its field" do
    balance(amplitudes: [4, 1, 1, 1])
    expect(problem(422)["errors"].first["pointer"]).to eq("/amplitudes")
    balance(trial_g_mm: 0)
    expect(problem(422)["errors"].first["pointer"]).to eq("/trial_g_mm")
  end

  it "tells the tone of a tap, which of a ring are dull, and refuses what is no sound" do
    samples = Array.new(22_050) { |at| (20_000 * Math.exp(-at / 1367.0) * Math.sin(at * 0.11683)).round }
    head = ["RIFF", 36 + (2 * samples.size), "WAVE", "fmt ", 16, 1, 1, 44_100, 88_200, 2, 16, "data", 2 * samples.size]
    ask("POST", "/api/reckon/tap", head.pack("a4L<a4a4L<S<S<L<L<S<S<a4L<") + samples.pack("s<*"), type: "audio/wav")
    expect(answer_as("Tap")).to include("frequency_hz" => be_within(1).of(820), "decay_ms" => be_within(0.3).of(31))
    ask("POST", "/api/reckon/tap", "no sound", type: "audio/wav")
    expect(problem(422)["errors"].first["pointer"]).to eq("/sound")
    ask("POST", "/api/reckon/taps", { decays_ms: [30, 31, 12, 29, 33] })
    expect(answer_as("DullTaps")["dull"]).to eq([2])
  end
end
