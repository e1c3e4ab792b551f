# frozen_string_literal: true

RSpec.describe MossyAnvil::Placing::PlacementSearch do
  let(:pocket) do
    { id: "p", type: "void", contents: "air", centre: { clock_deg: 90, r_mm: 30, z_mm: 22 }, size_mm: [14, 14, 8] }
  end
  let(:disc) { MossyAnvil::Model::Blank }

  # A plain disc within a wider and longer blank, a pocket in the head half of it.
  def laid(defects, **changes)
    blank(
      shape: {
        type: "disc",
        diameter_mm: 160,
        length_mm: 100
      },
      defects: defects,
      form: {
        kind: "disc",
        opens: "tail",
        curve: "straight",
        outside: [[15, 50], [55, 50]]
      },
      **changes
    )
  end

  def wish(key, weight = 1, of: nil) = { key: key, weight: weight, of: of }
  def search(blank, *wishes, **how) = described_class.new(blank, wishes, **how)
  def best(search) = search.run.max_by(&:worth)

  it "slides the form off the pocket, as well as trying every place by hand does" do
    own = search(laid([pocket]), wish("lose_trouble"), freedoms: %i[slide_mm], flip: false)
    places = (-60..180).map { |quarter| MossyAnvil::Model::Placement.present.with(slide_mm: quarter / 4.0) }
    by_hand = places.filter_map { |place| own.field.measure(place) }.map { |found| own.wishes.worth(found) }.max
    expect(best(own).worth).to be >= by_hand - 1e-9
    expect(best(own).measures.kept["p"]).to eq(0)
  end

  it "finds the one place a larger form and a balanced one can have, as well as trying all of them does" do
    own = search(laid([pocket]), wish("best_balanced"), wish("largest"), freedoms: %i[x_mm scale], flip: false)
    tried =
      (-10..10)
        .to_a
        .product((70..130).step(5).to_a)
        .filter_map do |x_mm, hundredths|
          own
            .field
            .measure(MossyAnvil::Model::Placement.present.with(x_mm: x_mm.to_f, scale: hundredths / 100.0))
            &.then { |found| own.wishes.worth(found) }
        end
    expect(best(own).worth).to be >= tried.max - 1e-6
  end

  it "is never worth less than the present placement, and the same for the same seed" do
    piece = blank(defects: [crack(z_mm: [0, 50], depth_mm: 30), pocket], form: BlankHelper::BOWL)
    wishes = [wish("lose_cracks", 2), wish("best_balanced")]
    one, other = Array.new(2) { search(piece, *wishes, seed: 3) }
    expect(best(one).worth).to be >= one.present.worth
    expect(one.run.map { |answer| answer.placement.to_a }).to eq(other.run.map { |answer| answer.placement.to_a })
  end

  it "keeps a pocket in view when that is wished" do
    deep = pocket.merge(centre: { clock_deg: 90, r_mm: 30, z_mm: 35 })
    own = search(laid([deep]), wish("keep_in_view", of: "p"), freedoms: %i[slide_mm x_mm], flip: false)
    expect(own.present.measures.in_view["p"]).to eq(0)
    expect(best(own).measures.in_view["p"]).to be > 0.2
  end

  it "turns a form end for end where the trouble asks for it" do
    bowl =
      blank(
        shape: {
          type: "disc",
          diameter_mm: 200,
          length_mm: 62
        },
        form: BlankHelper::BOWL.merge(outside: [[1, 45], [20, 70], [61, 95]], inside: [[12, 0], [61, 85]]),
        defects: [
          {
            id: "s",
            type: "soft_zone",
            grade: "spongy",
            centre: {
              clock_deg: 0,
              r_mm: 75,
              z_mm: 55
            },
            size_mm: [30, 60, 12]
          }
        ]
      )
    expect(best(search(bowl, wish("lose_trouble"), freedoms: %i[slide_mm])).placement.flipped).to be(true)
  end

  it "is the whole in parts as it is in one" do
    piece = laid([pocket])
    whole, halves =
      search(piece, wish("lose_trouble"), seed: 2).run,
      [0, 1].flat_map { |part| search(piece, wish("lose_trouble"), seed: 2).run(part: part, parts: 2) }
    expect(halves.map { |answer| answer.placement.to_a }).to match_array(whole.map { |answer| answer.placement.to_a })
    expect(search(piece, wish("lose_trouble")).climbs(2).sum).to eq(whole.size)
  end

  it "shows its best starts before it climbs, and ends with what is worth no less" do
    told = []
    found =
      search(laid([pocket]), wish("lose_trouble"), wish("largest")).run do |done, of, so_far|
        told << [done, of, so_far.dup] && nil
      end
    expect(told.first.first(2)).to eq([0, told.size - 1])
    expect(told.first.last.size).to eq(described_class::AT_ONCE)
    expect(found.map(&:worth).max).to be >= told.first.last.map(&:worth).max
    expect(search(laid([pocket]), wish("lose_trouble")).run { :stop }).to eq([])
  end

  it "stops when it is told to" do
    expect(search(laid([pocket]), wish("lose_trouble")).run { |done, _, _| :stop if done == 2 }.size).to eq(2)
  end

  it "offers a few really different answers, the best first, whatever order they come in" do
    own = search(laid([pocket]), wish("lose_trouble"), wish("largest"))
    report = MossyAnvil::Report::PlacementReport.new(own)
    rows = own.run.map { |answer| report.row(answer) }
    chosen = described_class.different(rows, own.field.blank.shape)
    expect(chosen.size).to be_between(2, described_class::ANSWERS)
    expect(chosen.map { |row| row[:worth] }).to eq(chosen.map { |row| row[:worth] }.sort.reverse)
    expect(described_class.different(rows.reverse, own.field.blank.shape)).to eq(chosen)
    expect(keys(chosen.first[:gains])).to include("placement.turned_away").or include("placement.stays")
  end

  it "measures as the full assessment does" do
    piece = laid([pocket, crack(id: "c", z_mm: [0, 40], depth_mm: 40)])
    found = search(piece, wish("lose_trouble")).present.measures
    full = MossyAnvil::Report::Assessment.new(piece).to_h
    expect(found.kept["p"]).to be_within(0.04).of(1 - full[:defects][0][:removed_share])
    expect(found.yield).to be_within(0.02).of(full[:form][:yield_share])
    expect(found.tenon_mm).to be_within(1e-6).of(full[:form][:tenon_wood][:length_mm])
  end
end

RSpec.describe MossyAnvil::Model::PlacementMove do
  let(:piece) { blank(form: BlankHelper::BOWL.merge(use: "food")) }

  def moved(blank, **move) = described_class.new(blank, move).to_h

  it "flipped twice is the very same" do
    once = moved(piece, flipped: true)
    again = moved(blank(form: once[:form]), flipped: true)
    expect(once[:form][:opens]).to eq("head")
    expect(again[:form]).to eq(described_class.tidy(piece.form.to_document))
  end

  it "keeps wall and floor of an inside that follows, whatever its size" do
    larger =
      moved(blank(form: BlankHelper::BOWL.except(:inside).merge(follows: { wall_mm: 7, floor_mm: 9 })), scale: 0.9)
    expect(larger[:form][:follows]).to eq(wall_mm: 7.0, floor_mm: 9.0).or eq(wall_mm: 7, floor_mm: 9)
    expect(larger[:form][:outside].last[1]).to be_within(0.011).of(99)
  end

  it "says by how much it goes past the end, and when a centre is off the wood" do
    expect { moved(piece, slide_mm: 40) }.to raise_error(MossyAnvil::InvalidInput, /past the end of the wood/)
    expect { moved(piece, x_mm: 500) }.to raise_error(MossyAnvil::InvalidInput, /a centre off the wood/)
    expect { moved(blank, slide_mm: 1) }.to raise_error(MossyAnvil::InvalidInput, /nothing to move/)
  end
end
