# frozen_string_literal: true

require_relative "card_helper"

# Papers and coats by part.
RSpec.describe "The finish plan", :server do
  include CardHelper

  def plan(number, finish = {})
    document = demo(number)
    ask(
      "POST",
      "/api/reckon/finish",
      { document: document.merge("route" => { **document["route"].to_h, "finish" => finish }) }
    )
  end

  it "fits the contract for every demo blank with a form" do
    (32..42).each do |number|
      plan(number)
      expect(answer_as("FinishPlan")["parts"]).not_to be_empty
    end
  end

  it "goes by the family chosen for a part, and refuses one it does not know" do
    plan(33, { "outside_sound" => "varnish" })
    part = answer_as("FinishPlan")["parts"].find { |one| one["key"] == "outside_sound" }
    expect(part["coats"].map { |coat| coat["family"] }).to eq(%w[varnish] * 3)
    plan(33, { "outside_sound" => "tar" })
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/route/finish/outside_sound")
    plan(31)
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/form")
  end
end
