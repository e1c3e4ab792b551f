# frozen_string_literal: true

require_relative "server_helper"
require_relative "card_helper"

# Cuts of a draft, with the tools of the shop.
RSpec.describe "Cuts and tools", :server do
  include CardHelper

  def cuts(number) = ask("POST", "/api/reckon/cuts", { document: demo(number) })
  def tools(keys) = ask("PUT", "/api/tools", { tools: keys })
  def own_tools = ask("GET", "/api/shop") && answer_as("Shop")["tools"]

  it "plans every cut, and with the turner's own tools alone" do
    cuts(39)
    all = answer_as("Cuts")
    expect(all["regions"].map { |one| one["tool"] }).to include("bowl_gouge")
    tools(%w[carbide_round carbide_square])
    expect(answer_as("OwnTools")["tools"]).to eq(%w[carbide_round carbide_square])
    expect(own_tools).to eq(%w[carbide_round carbide_square])
    cuts(39)
    own = answer_as("Cuts")["regions"].flat_map { |one| [one["tool"], one["second"]].compact }
    expect(own).to all(start_with("carbide_"))
    tools(nil)
    expect(own_tools).to be_nil
  end

  it "refuses a tool it does not know, and a draft without a form" do
    tools(%w[bowl_gouge axe])
    expect(problem(422)["errors"].first["pointer"]).to eq("/tools/1")
    expect(own_tools).to be_nil
    cuts(31)
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/form")
  end

  it "keeps the motor of a lathe, and reckons with it" do
    take_in(**demo(39).transform_keys(&:to_sym).except(:format, :version))
    expect(ask("GET", "/api/lathes") && answer_as("Lathes")["lathes"].first["lathe"]["power_w"]).to eq(1500)
    weak = demo(39).merge("lathe" => demo(39)["lathe"].merge("power_w" => 150))
    ask("POST", "/api/reckon/cuts", { document: weak })
    torques = answer_as("Cuts")["regions"].map { |one| one["belt_torque_nm"] }
    cuts(39)
    expect(answer_as("Cuts")["regions"].first["belt_torque_nm"]).to be_within(1e-6).of(torques.first * 10)
  end
end
