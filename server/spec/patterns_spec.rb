# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Curves of the shop's own", :server do
  let(:bowl) { JSON.parse(JSON.generate(BlankHelper::BOWL)) }

  def keep(name = "quay bowl", form = bowl) = ask("POST", "/api/patterns", { name: name, form: form })

  it "are kept by name from their own foot on, and laid into another blank as large as it has room for" do
    keep
    expect(last_response.status).to eq(201)
    kept = answer_as("Patterns")["patterns"].first
    expect(kept).to include("name" => "quay bowl", "height_mm" => 52, "diameter_mm" => 220)
    small = JSON.parse(JSON.generate(blank_data(shape: { type: "disc", diameter_mm: 110, length_mm: 60 })))
    ask("POST", "/api/reckon/pattern", { document: small, form: kept["form"] })
    laid = answer_as("LaidPattern")
    expect(laid["scale"]).to be_within(1e-9).of(0.5)
    expect(laid["form"]["outside"].map(&:last).max).to be_within(0.01).of(55)
    ask("POST", "/api/reckon/pattern", { document: small, form: kept["form"], scale: 3 })
    expect(problem(422)["errors"].first["pointer"]).to eq("/scale")
  end

  it "have each a name of their own, are no curve that cannot be, and go when they are told to" do
    keep
    keep
    expect(problem(409)["errors"]).to eq([{ "pointer" => "/name", "detail" => "a curve of that name is kept already" }])
    keep("crossing", bowl.merge("inside" => [[14, 0], [56, 140]]))
    expect(problem(422)["errors"].first["pointer"]).to eq("/form/inside")
    keep("", bowl)
    expect(problem(422)["errors"].first["pointer"]).to eq("/name")
    ask("GET", "/api/patterns")
    id = answer_as("Patterns")["patterns"].first["id"]
    ask("DELETE", "/api/patterns/#{id}")
    expect(answer_as("Patterns")["patterns"]).to eq([])
    ask("DELETE", "/api/patterns/#{id}")
    problem(404)
  end

  it "go out with the shop and come in again, those of another name left alone" do
    keep
    whole = ask("GET", "/api/shop/archive").body
    db[:patterns].delete
    keep("other", bowl)
    2.times { work("POST", "/api/shop/archive", whole, type: "application/zip") }
    expect(MossyAnvil::Server::Store::Patterns.new(db).all.map { |row| row[:name] }).to eq(["other", "quay bowl"])
  end

  it "are traced from a photograph by its scale and axis" do
    asked = {
      scale: {
        from: [0.1, 0.9],
        to: [0.6, 0.9],
        mm: 200
      },
      axis: {
        from: [0.1, 0.5],
        to: [0.9, 0.5]
      },
      curve: [[0.15, 0.4], [0.25, 0.35], [0.4, 0.45]],
      from_z_mm: 4
    }
    ask("POST", "/api/reckon/traced-profile", asked)
    expect(answer_as("ReadProfile")["points"]).to eq([[4.0, 40.0], [44.0, 60.0], [104.0, 20.0]])
    ask("POST", "/api/reckon/traced-profile", asked.merge(curve: [[0.15, 0.4]]))
    expect(problem(422)["errors"].first["pointer"]).to eq("/curve")
  end
end
