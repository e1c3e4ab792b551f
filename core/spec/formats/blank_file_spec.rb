# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::BlankFile do
  def faults_of(data = nil, **changes)
    described_class.read(data.is_a?(String) ? data : JSON.generate(data || blank_data(**changes)))
    []
  rescue MossyAnvil::InvalidInput => e
    e.faults.map(&:to_s)
  end

  it "reads a good file" do
    expect(faults_of(defects: [crack, body("void", contents: "air")], form: BlankHelper::BOWL)).to eq([])
  end

  {
    "not JSON" => ["{", /is not JSON/],
    "NaN" => ['{"format": NaN}', /is not JSON/],
    "broken UTF-8" => ["\xff{}", /not valid UTF-8/],
    "too deep" => ["[" * 60, /nested too deep/],
    "too large" => [" " * 2_000_001, /at most 2000000 bytes/],
    "not a blank" => ["[]", /must be|a group/]
  }.each do |name, (text, message)|
    it("refuses what is #{name}") { expect(faults_of(text).join("\n")).to match(message) }
  end

  it "names every missing key with what it is for" do
    expect(faults_of("{}")).to include(
      "/material: is missing: what the wood or stock is",
      "/shape: is missing: the lump as it stands, about the lathe axis"
    )
  end

  it "refuses days and times that there are not" do
    taken = ->(taken_at) { faults_of(readings: [{ kind: "mass", value: 3, taken_at: taken_at }]) }
    expect(faults_of(intake: { got_on: "2030-02-31" })).to eq(["/intake/got_on: is 2030-02-31: a day there is"])
    expect(faults_of(defects: [crack(found_on: "2029-02-29")])).to eq(
      ["/defects/0/found_on: is 2029-02-29: a day there is"]
    )
    expect(%w[2030-13-45T10:00:00Z 2030-01-01T27:00:00Z 2030-02-30T10:00Z].map { |time| taken[time].size }).to all(
      eq(1)
    )
    expect(
      %w[2030-05-01T09:30:00Z 2030-05-01T09:30+02:00 2028-02-29T23:59:59.5Z].flat_map { |time| taken[time] }
    ).to eq([])
  end

  it "names an unknown key" do
    expect(faults_of(colour: "red")).to eq(
      ["/colour: is not a known key here: leave it out, or check its spelling and unit"]
    )
    expect(faults_of(defects: [crack.merge(dept_mm: 4)])).to include(%r{/defects/0/dept_mm: is not a known key})
  end

  it "refuses numbers that are not sizes" do
    { -5 => "more than 0", 0 => "more than 0", 1e7 => "at most 5000" }.each do |diameter_mm, allowed|
      expect(faults_of(shape: { type: "disc", diameter_mm: diameter_mm, length_mm: 60 })).to include(
        %r{/shape/diameter_mm.*#{allowed}}
      )
    end
    huge = JSON.generate(blank_data).sub('"diameter_mm":240', '"diameter_mm":1e400')
    expect(faults_of(huge)).to eq(["/shape/diameter_mm: is too large a number: a number that can be measured"])
    expect(faults_of(shape: { type: "disc", diameter_mm: "240", length_mm: 60 })).to eq(
      ['/shape/diameter_mm: is "240": a number']
    )
  end

  it "says which kinds there are" do
    expect(faults_of(shape: { type: "ball" })).to eq(['/shape/type: is "ball": one of disc, block, outline'])
  end

  it "asks for the grain's direction only where there is one" do
    expect(faults_of(material: material_data(grain: "face"))).to eq(
      ["/material/grain_clock_deg: is missing: which way the fibres run across the end, for face grain"]
    )
  end

  {
    "the axis outside the wood" => [
      { shape: { type: "disc", diameter_mm: 100, length_mm: 50, centre_offset_mm: [60, 0] } },
      "/shape/centre_offset_mm"
    ],
    "a blank like a hair" => [{ shape: { type: "disc", diameter_mm: 2, length_mm: 4000 } }, "/shape: "],
    "a defect past the end" => [
      {
        defects: [
          { id: "v", type: "void", centre: { clock_deg: 0, r_mm: 5, z_mm: 90 }, size_mm: [5, 5, 5], contents: "air" }
        ]
      },
      "/defects/0/centre/z_mm"
    ],
    "a defect outside the wood" => [
      {
        defects: [
          { id: "v", type: "void", centre: { clock_deg: 0, r_mm: 200, z_mm: 30 }, size_mm: [5, 5, 5], contents: "air" }
        ]
      },
      "/defects/0/centre/r_mm"
    ],
    "a face crack without radius" => [
      {
        defects: [
          {
            id: "c",
            type: "crack",
            enters: "tail_face",
            path: [{ clock_deg: 0, z_mm: 60 }, { clock_deg: 0, z_mm: 60, r_mm: 40 }],
            depth_mm: 5,
            width_mm: 1
          }
        ]
      },
      "/defects/0/path/0/r_mm"
    ],
    "a profile out of order" => [
      { form: BlankHelper::BOWL.merge(outside: [[4, 45], [56, 110], [20, 85]]) },
      "/form/outside/2"
    ],
    "an inside that meets the outside" => [
      { form: BlankHelper::BOWL.merge(inside: [[14, 0], [18, 90], [56, 100]]) },
      "/form/inside: meets"
    ],
    "an inside that stops short of the rim" => [
      { form: BlankHelper::BOWL.merge(inside: [[14, 0], [40, 60]]) },
      "/form/inside/1"
    ],
    "a belt back to front" => [
      { lathe: BlankHelper::LATHE.merge("belts" => [{ min_rpm: 900, max_rpm: 90 }]) },
      "/lathe/belts/0/max_rpm"
    ]
  }.each do |name, (changes, path)|
    it("names #{name}") { expect(faults_of(**changes)).to include(a_string_starting_with(path)) }
  end

  it "refuses the same id twice and too many defects" do
    expect(faults_of(defects: [crack, crack])).to include(a_string_starting_with("/defects/1/id"))
    expect(faults_of(defects: Array.new(10_000) { |index| crack(id: "c#{index}") })).to include(
      "/defects: is a list of 10000: at most 200 entries"
    )
  end

  it "tells how long a list is that is too long, beside what else is wrong" do
    long = crack(depth_mm: "deep", path: Array.new(5000) { |index| { clock_deg: index % 360, z_mm: 10 } })
    expect(faults_of(defects: [long])).to include(
      "/defects/0/path: is a list of 5000: at most 60 entries",
      a_string_starting_with("/defects/0/depth_mm")
    )
  end

  it "refuses days that are none, and steps of one's own that cannot be told apart" do
    own = { id: "own-1", name: "Look", hands_min: 1 }
    expect(faults_of(route: { done: [{ step: "mount", on: "2030-02-31" }] })).to eq(
      ["/route/done/0/on: is 2030-02-31: a day there is"]
    )
    expect(faults_of(survey: { seen: [{ surface: "head_face", on: "2030-13-01" }] }).first).to start_with(
      "/survey/seen/0/on"
    )
    expect(faults_of(route: { own: [own, own] })).to eq(["/route/own/1/id: is used twice (own-1): each step its own"])
  end

  it "counts defects that have passed before like any others" do
    cracks = Array.new(201) { |index| crack(id: "c#{index}") }
    expect(faults_of(defects: cracks.first(200))).to eq([])
    expect(faults_of(defects: cracks)).to eq(["/defects: is a list of 201: at most 200 entries"])
  end

  it "takes no schema apart that says something of several parts together" do
    whole = {
      "type" => "object",
      "required" => ["a"],
      "additionalProperties" => false,
      "properties" => {
        "a" => {
          "type" => "array",
          "maxItems" => 2,
          "items" => {
            "type" => "number"
          }
        }
      }
    }
    check = MossyAnvil::Formats::SchemaCheck.new(whole)
    expect(check.passes?({ "a" => [1, 2] })).to be(true)
    expect(
      [{ "a" => [1, "2"] }, { "a" => [1, 2, 3] }, {}, { "a" => [], "b" => 1 }, nil].map { |data| check.passes?(data) }
    ).to all(be(false))
    expect { MossyAnvil::Formats::SchemaCheck.new(whole.merge("minProperties" => 2)) }.to raise_error(
      ArgumentError,
      /minProperties/
    )
    expect { MossyAnvil::Formats::SchemaCheck.new(whole.except("additionalProperties")) }.to raise_error(ArgumentError)
  end

  it "keeps markup in names as text" do
    expect(described_class.from_data(blank_data(name: "<b>x</b>")).name).to eq("<b>x</b>")
  end
end
