# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Form do
  it "joins points smoothly without overshooting them" do
    profile = MossyAnvil::Model::Profile.new([[0, 20], [10, 20], [20, 60], [50, 58]], curve: "smooth")
    expect([0, 10, 20, 50].map { |z_mm| profile.radius_mm(z_mm) }).to eq([20, 20, 60, 58])
    expect((0..50).map { |z_mm| profile.radius_mm(z_mm) }).to all(be_between(20 - 1e-9, 60 + 1e-9))
  end

  it "joins points straight where asked" do
    expect(MossyAnvil::Model::Profile.new([[0, 10], [10, 30]], curve: "straight").radius_mm(2.5)).to eq(15)
  end

  it "finds the true shortest way through a cone's wall, not the radial one" do
    cone = {
      kind: "bowl",
      opens: "tail",
      outside: [[0, 40], [50, 90]],
      inside: [[10, 40], [50, 80]],
      curve: "straight"
    }
    report = assess(shape: { type: "disc", diameter_mm: 240, length_mm: 60 }, form: cone)[:form]
    expect(report[:least_wall_mm]).to be_within(0.02).of(10 / Math.sqrt(2))
    expect(report[:floor_mm]).to eq(10)
  end

  it "takes the wood's own surface where the form reaches past it" do
    bowl = {
      kind: "bowl",
      opens: "tail",
      outside: [[0, 130], [60, 130]],
      inside: [[10, 100], [60, 110]],
      curve: "straight"
    }
    expect(assess(form: bowl)[:form][:least_wall_mm]).to be_within(0.05).of(10)
  end

  describe "and what it leaves of a defect" do
    def defect_of(defect, form: BlankHelper::BOWL) = assess(defects: [defect], form: form)[:defects].first

    it "turns a check at the head rim away" do
      report = defect_of(crack(z_mm: [0, 3], depth_mm: 6))
      expect(report).to include(removed_share: 1.0, verdict: "cut_away", fill_volume_mm3: 0.0, reaches_surface: false)
    end

    it "names a crack that goes through the wall" do
      report = assess(defects: [crack(z_mm: [30, 55], depth_mm: 40)], form: BlankHelper::BOWL)
      expect(report[:form][:breaks_through]).to eq(["b"])
      expect(report[:defects].first[:reason][:key]).to eq("triage.through_wall")
    end

    it "keeps a closed pocket closed" do
      thick = { kind: "disc", opens: "tail", outside: [[0, 110], [60, 110]], curve: "straight" }
      report = defect_of(body("void", r_mm: 50, size_mm: [20, 20, 20], contents: "air"), form: thick)
      expect(report).to include(removed_share: 0.0, reaches_surface: false, verdict: "leave")
    end

    it "fills no more than is open when nothing is turned away" do
      report = assess(defects: [crack(z_mm: [0, 60], depth_mm: 15, width_mm: 3)])[:defects].first
      expect(report[:open_volume_mm3]).to be_within(0.5).of(0.5 * 60 * 15 * 3)
      expect(report[:fill_volume_mm3]).to be_within(1e-6).of(report[:open_volume_mm3])
    end

    it "fills a deep crack that the hollow cuts off half way" do
      deep =
        crack(
          enters: "tail_face",
          depth_mm: 55,
          path: [{ clock_deg: 0, z_mm: 60, r_mm: 5 }, { clock_deg: 0, z_mm: 60, r_mm: 30 }]
        )
      report = defect_of(deep)
      expect(report).to include(reaches_surface: true, verdict: "fill")
      expect(report[:fill_volume_mm3]).to be_between(1, report[:open_volume_mm3])
    end

    it "knows that a crack in a skin the form leaves alone still opens there" do
      full = { kind: "disc", opens: "tail", outside: [[0, 130], [60, 130]], curve: "straight" }
      expect(defect_of(crack(depth_mm: 9), form: full)).to include(
        removed_share: 0.0,
        reaches_surface: true,
        verdict: "fill"
      )
    end

    it "counts only the part of a pocket that lies in the wood" do
      report = assess(defects: [body("void", r_mm: 120, size_mm: [30, 30, 30], contents: "air")])[:defects].first
      expect(report[:open_volume_mm3]).to be_within(0.06 * 14_137).of(14_137 / 2)
      expect(report[:reaches_surface]).to be true
    end

    it "tells hard from soft: stop for a stone, soak for spongy wood" do
      expect(defect_of(body("hard_inclusion", r_mm: 100, z_mm: 50, of: "stone"))[:verdict]).to eq("stop")
      expect(defect_of(body("soft_zone", r_mm: 100, z_mm: 40, grade: "spongy"))[:verdict]).to eq("soak")
      expect(defect_of(body("soft_zone", r_mm: 100, z_mm: 40, grade: "firm"))[:verdict]).to eq("leave")
    end
  end
end
