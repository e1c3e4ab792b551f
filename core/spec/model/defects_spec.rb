# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Defects do
  let(:shape) { MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 80) }

  def made(data) = described_class.from(data)

  describe "bodies" do
    {
      ["soft_zone", { grade: "firm" }] => [540, 0.6, :lowered],
      ["soft_zone", { grade: "soft" }] => [420, 0.3, :lowered],
      ["soft_zone", { grade: "spongy" }] => [300, 0.1, :lowered],
      ["void", { contents: "air" }] => [0, 0, :void],
      ["void", { contents: "dirt" }] => [1500, 0, :void],
      ["void", { contents: "bark" }] => [400, 0, :void],
      ["hard_inclusion", { of: "stone" }] => [2600, 0, :hard],
      ["hard_inclusion", { of: "metal" }] => [7800, 0, :hard],
      ["hard_inclusion", { of: "knot" }] => [720, 0.5, :hard],
      ["resin_body", { density_kg_m3: 1120 }] => [1120, 0, :hard],
      ["loose_piece", { bonded_share: 0.4 }] => [600, 0, :lowered]
    }.each do |(type, detail), (density, strength, rank)|
      it "takes #{type} #{detail.values.first} for what it is in wood of 600 kg/m3" do
        defect = made(body(type, **detail))
        expect(defect.density_kg_m3(600)).to be_within(1e-9).of(density)
        expect(defect).to have_attributes(strength_factor: strength, rank: rank)
      end
    end

    it "counts holes by their share of the section" do
      galleries = made(body("galleries", hole_diameter_mm: 2, holes_per_cm2: 4))
      share = Math::PI / 4 * 4 * 4 / 100
      expect(galleries.hole_share).to be_within(1e-9).of(share)
      expect(galleries.density_kg_m3(600)).to be_within(1e-9).of(600 * (1 - share))
      expect(galleries.strength_factor).to be_within(1e-9).of(1 - (2 * share))
      expect(made(body("galleries", hole_diameter_mm: 10, holes_per_cm2: 2)).strength_factor).to eq(0.1)
    end

    it "is fragile where it is spongy or loose" do
      fragile = [["soft_zone", { grade: "spongy" }], ["loose_piece", { bonded_share: 1 }]]
      sturdy = [["soft_zone", { grade: "soft" }], ["void", { contents: "air" }]]
      expect(fragile.map { |type, detail| made(body(type, **detail)).fragile? }).to all(be true)
      expect(sturdy.map { |type, detail| made(body(type, **detail)).fragile? }).to all(be false)
    end
  end

  describe "paths" do
    it "runs along the side by arc and by z" do
      along = made(crack(z_mm: [10, 60]))
      expect(along.run_mm(shape)).to be_within(1e-9).of(50)
      round = made(crack.merge(path: [{ clock_deg: 350, z_mm: 40 }, { clock_deg: 20, z_mm: 40 }]))
      expect(round.run_mm(shape)).to be_within(1e-6).of(100 * Math::PI / 6)
      expect(round.samples(shape).clock_deg.to_a).to all(satisfy { |deg| deg >= 350 || deg <= 20 })
    end

    it "runs straight across a face, through the axis if need be" do
      across =
        made(
          crack.merge(
            enters: "tail_face",
            path: [{ clock_deg: 30, z_mm: 80, r_mm: 40 }, { clock_deg: 210, z_mm: 80, r_mm: 40 }]
          )
        )
      expect(across.run_mm(shape)).to be_within(1e-9).of(80)
      samples = across.samples(shape)
      expect(samples.radius_mm.min).to be < 1
      expect(samples.clock_deg.to_a.map(&:round).uniq).to contain_exactly(30, 210)
      expect(samples.z_mm.to_a.uniq).to eq([80])
    end

    it "cuts the run into pieces that add up" do
      bent =
        made(crack.merge(path: [{ clock_deg: 0, z_mm: 0 }, { clock_deg: 15, z_mm: 20 }, { clock_deg: 5, z_mm: 80 }]))
      expect(bent.samples(shape).length_mm.sum).to be_within(1e-9).of(bent.run_mm(shape))
    end

    it "is open until it is mended" do
      expect(made(crack)).to have_attributes(open?: true, fragile?: true)
      expect(made(crack(mend: "epoxy"))).to have_attributes(open?: false, fragile?: false, mended?: true)
      expect(made(crack(type: "bark_inclusion").except(:through))).to have_attributes(open?: false, crack?: false)
    end
  end
end
