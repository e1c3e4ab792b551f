# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::SolidAnalysis do
  def solid_of(number)
    path = Dir[File.expand_path("../../../demo/#{number}-*.anvil.json", __dir__)].first
    piece = MossyAnvil::Formats::BlankFile.from_data(JSON.parse(File.read(path)))
    described_class.new(piece.on_centres, MossyAnvil::Report::ShopClimate.new, :default)
  end

  def told(solid, name) = MossyAnvil::Report::StageReport.new(name, solid, MossyAnvil::Report::Workings.new).to_h

  # A lamp base with cracks and bark, a tea jar with galleries, a dish that is not whole all round.
  [33, 34, 41].each do |number|
    it "has the hollowed stage of No. #{number} the same, whether its outside was cut before it or not" do
      alone, after = solid_of(number), solid_of(number)
      before = told(after, :outside)
      expect(told(after, :hollowed)).to eq(told(alone, :hollowed))
      # And the other way round: what they share, neither changes.
      expect(told(alone, :outside)).to eq(before)
    end
  end

  it "takes the hollow out of the mass and leaves all else" do
    solid = solid_of(33)
    outside, hollowed = %i[outside hollowed].map { |name| solid.mass(solid.stage(name)) }
    expect(hollowed.mass_g).to be_between(1, outside.mass_g - 1)
    expect(solid.stage(:hollowed).outer).to equal(solid.stage(:outside).outer)
    expect(outside.volume_mm3 - hollowed.volume_mm3).to be_within(outside.volume_mm3 * 0.02).of(
      hollow_mm3(solid.blank.form.inside)
    )
  end

  # By rings of a millimetre.
  def hollow_mm3(profile)
    steps = ((profile.last_z_mm - profile.first_z_mm) / 1.0).floor
    heights = Numo::DFloat.new(steps).seq + profile.first_z_mm + 0.5
    (profile.radii_mm(heights)**2).sum * Math::PI
  end
end
