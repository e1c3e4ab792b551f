# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::Comparison do
  let(:plate) { { "kind" => "disc", "opens" => "tail", "curve" => "straight", "outside" => [[5, 100], [35, 100]] } }
  let(:peg) { { "kind" => "spindle", "opens" => "tail", "curve" => "straight", "outside" => [[5, 20], [55, 20]] } }

  def compared(sketches, **changes) = described_class.new(blank(**changes), sketches).to_h[:forms]

  it "puts the blank's own form first, and says what each is best and worst at" do
    forms =
      compared(
        [{ "name" => "A plate", "form" => plate }, { "name" => "A peg", "form" => peg }],
        form: BlankHelper::BOWL
      )
    expect(forms.map { |form| form[:name] }).to eq([nil, "A plate", "A peg"])
    best = forms[1][:trade][:amounts][:best][:value]
    expect(best).to eq(
      key: "trade.best.yield_share",
      amounts: {
        amount: {
          value: forms[1][:outcome][:yield_share],
          unit: "share"
        }
      }
    )
    expect(keys_within(forms[2][:trade])).to include("trade.best.limit_rpm", "trade.worst.yield_share")
  end

  it "takes four at most, and has little to say of one alone" do
    sketches = Array.new(6) { |index| { "name" => "No. #{index}", "form" => plate } }
    expect(compared(sketches, form: BlankHelper::BOWL).map { |form| form[:name] }).to eq(
      [nil, "No. 0", "No. 1", "No. 2"]
    )
    expect(compared(sketches).map { |form| form[:name] }).to eq(["No. 0", "No. 1", "No. 2", "No. 3"])
    expect(compared([], form: BlankHelper::BOWL).first[:trade]).to eq(key: "trade.only", amounts: {})
  end

  it "lays each sketch on its own centres, and leaves the blank's alone" do
    aside = { "name" => "Aside", "form" => peg, "centres" => { "head_mm" => [30, 0], "tail_mm" => [30, 0] } }
    pocket = body("void", id: "v", contents: "air", clock_deg: 90, r_mm: 30, z_mm: 30, size_mm: [10, 10, 10])
    here, there =
      compared([{ "name" => "Here", "form" => peg }, aside], defects: [pocket]).map { |form| form[:outcome] }
    expect(here[:gone]).to eq(["v"])
    expect(there[:gone]).to eq([])
    expect(there[:mass_g]).to be < here[:mass_g]
  end

  it "prices what is turned away, where the blank had a price" do
    bought =
      compared([{ "name" => "A plate", "form" => plate }], form: BlankHelper::BOWL, intake: { cost: 40 }).map do |form|
        form[:outcome]
      end
    expect(bought.map { |outcome| outcome[:wasted_value] }).to match(
      bought.map { |outcome| be_within(1e-9).of(40 * (1 - outcome[:yield_share])) }
    )
    expect(compared([], form: BlankHelper::BOWL).first[:outcome][:wasted_value]).to be_nil
  end

  it "draws each as a section that can be looked at" do
    svg = compared([], form: BlankHelper::BOWL, defects: [crack(z_mm: [10, 40])]).first[:outcome][:section_svg]
    expect(svg).to start_with("<svg").and include('id="wood"', ">b<")
    expect(svg).not_to include("measure it before you trust")
  end
end
