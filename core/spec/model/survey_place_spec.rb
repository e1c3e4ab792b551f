# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::SurveyPlace do
  let(:disc) { MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 80) }

  def place(**at) = described_class.of({ at: at }, disc)

  it "is on the side without a radius, and on the nearer face with one" do
    expect(place(clock_deg: 450, z_mm: 30).to_a).to eq(["side", 90.0, 100.0, 30.0])
    expect(place(clock_deg: 0, z_mm: 10, r_mm: 40).surface).to eq("head_face")
    expect(place(clock_deg: 0, z_mm: 70, r_mm: 40).surface).to eq("tail_face")
  end

  it "is as far from another as a straight line through the wood" do
    expect(place(clock_deg: 0, z_mm: 10).apart_mm(place(clock_deg: 180, z_mm: 10))).to be_within(1e-9).of(200)
    expect(place(clock_deg: 0, z_mm: 0, r_mm: 30).apart_mm(place(clock_deg: 90, z_mm: 0, r_mm: 40))).to be_within(
      1e-9
    ).of(50)
  end

  it "has what lies under it inward of the side and into a face, never past the axis or the other end" do
    expect(place(clock_deg: 30, z_mm: 30).under(15, disc)).to eq(clock_deg: 30.0, r_mm: 85.0, z_mm: 30.0)
    expect(place(clock_deg: 30, z_mm: 30).under(150, disc)[:r_mm]).to eq(0)
    expect(place(clock_deg: 0, z_mm: 0, r_mm: 20).under(12, disc)).to include(r_mm: 20.0, z_mm: 12.0)
    expect(place(clock_deg: 0, z_mm: 80, r_mm: 20).under(12, disc)).to include(r_mm: 20.0, z_mm: 68.0)
    expect(place(clock_deg: 0, z_mm: 80, r_mm: 20).under(200, disc)[:z_mm]).to eq(0)
  end

  it "lies in a body that is grown far enough to reach it" do
    body =
      MossyAnvil::Model::BodyDefect.new(
        id: "A",
        type: "soft_zone",
        centre: {
          clock_deg: 0,
          r_mm: 80,
          z_mm: 40
        },
        size_mm: [20, 20, 20],
        detail: {
          grade: "soft"
        }
      )
    on_skin = place(clock_deg: 0, z_mm: 40)
    expect(on_skin.within?(body, 5)).to be(false)
    expect(on_skin.within?(body, 11)).to be(true)
  end
end
