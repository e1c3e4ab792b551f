# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::CoreOut do
  # A face-grain disc with a hollow that is half a ball of 100 mm, its mouth at the tail.
  def bowl(defects: [], **material)
    depths = (0..20).map { |step| step * 5.0 }
    inside = depths.map { |deep| [120 - deep, Math.sqrt((100.0**2) - (deep**2))] }.reverse
    outside = [[0, 60], [60, 118], [120, 118]]
    blank(
      shape: {
        "type" => "disc",
        "diameter_mm" => 240,
        "length_mm" => 120
      },
      material: material_data("density_kg_m3" => 600, **material),
      defects: defects,
      form: {
        "outside" => outside,
        "inside" => inside,
        "opens" => "tail",
        "kind" => "bowl",
        "curve" => "straight"
      }
    ).on_centres
  end

  def core(blank, belt_nm: 30.0, moisture_pct: 12) =
    described_class.new(blank, blank.form, belt_nm: belt_nm, moisture_pct: moisture_pct).to_h

  it "leaves the largest cap a knife can, by hand" do
    found = core(bowl)
    # 80 mm of radius, a kerf of 9: half a ball of 75.5 mm fits whole, swung about the middle of the rim.
    expect(found).to include(knife_mm: 80, outside_mm: 0, why_not: nil, holds: [])
    expect(found[:diameter_mm]).to be_within(1e-9).of(151)
    expect(found[:height_mm]).to be_within(1e-9).of(75.5)
    expect(found[:volume_mm3]).to be_within(1).of(2 * Math::PI / 3 * (75.5**3))
    expect(found[:mass_g]).to be_within(0.1).of(found[:volume_mm3] * 6e-4)
    # 20 N/mm2 x 9 mm x 0.15 mm, scraping x 1.3: 35.1 N at 84.5 mm.
    expect(found[:torque_nm]).to be_within(0.01).of(35.1 * 0.0845)
  end

  it "is not worth it where the belt is too weak, or the core would come out in pieces" do
    expect(core(bowl, belt_nm: 2.0)[:why_not]).to eq("belt")
    void = {
      "id" => "A",
      "type" => "void",
      "contents" => "air",
      "centre" => {
        "clock_deg" => 0,
        "r_mm" => 20,
        "z_mm" => 90
      },
      "size_mm" => [80, 80, 60]
    }
    expect(core(bowl(defects: [void]))).to include(why_not: "unsound", holds: %w[A])
  end

  it "is not worth it where a crack runs in it, thin as it is, at whatever hour" do
    [0, 97].each do |hour|
      path = [10, 60].map { |r_mm| { "clock_deg" => hour, "r_mm" => r_mm, "z_mm" => 120 } }
      crack = {
        "id" => "C",
        "type" => "crack",
        "enters" => "tail_face",
        "path" => path,
        "depth_mm" => 40,
        "width_mm" => 0.5
      }
      expect(core(bowl(defects: [crack]))).to include(why_not: "cracked", holds: %w[C])
    end
  end

  it "takes less force in wet wood, more in dense wood" do
    dry = core(bowl)[:torque_nm]
    expect(core(bowl, moisture_pct: 40)[:torque_nm]).to be < dry
    expect(core(bowl("density_kg_m3" => 900))[:torque_nm]).to be > dry
  end

  it "is there in the spalted bowl, and in no vessel with a narrow mouth" do
    demo = ->(number) do
      MossyAnvil::Formats::BlankFile.read(
        File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
      )
    end
    spalted = MossyAnvil::Report::CutReport.new(demo.call(32)).to_h[:core_out]
    expect(spalted[:diameter_mm]).to be_between(150, 200)
    expect(MossyAnvil::Report::CutReport.new(demo.call(33)).to_h[:core_out]).to be_nil
  end
end
