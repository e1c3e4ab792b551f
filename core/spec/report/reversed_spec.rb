# frozen_string_literal: true

# A piece turned end for end is the same piece: only the places have other names.
RSpec.describe "A piece turned end for end" do
  let(:length_mm) { 60 }
  let(:defects) do
    [
      crack(clock_deg: 60, z_mm: [20, 55], depth_mm: 25),
      body("void", clock_deg: 200, r_mm: 80, z_mm: 20, contents: "air")
    ]
  end
  let(:form) { BlankHelper::BOWL }

  def there(place) = place.merge(clock_deg: (360 - place[:clock_deg]) % 360, z_mm: length_mm - place[:z_mm])

  def turned(defect)
    if defect[:path]
      defect.merge(path: defect[:path].map { |point| there(point) })
    else
      defect.merge(centre: there(defect[:centre]))
    end
  end

  def curve(points) = points.reverse.map { |z_mm, r_mm| [length_mm - z_mm, r_mm] }

  it "weighs, splits and turns the same, with its heavy side at the mirrored hour" do
    shape = { type: "disc", diameter_mm: 240, length_mm: length_mm, centre_offset_mm: [4, 2] }
    grain = material_data(grain: "face", grain_clock_deg: 40)
    one = assess(defects: defects, form: form, shape: shape, material: grain)
    other =
      assess(
        defects: defects.map { |defect| turned(defect) },
        shape: shape.merge(centre_offset_mm: [-4, 2]),
        material: grain.merge("grain_clock_deg" => 320),
        form: form.merge(opens: "head", outside: curve(form[:outside]), inside: curve(form[:inside]))
      )
    one[:stages].each do |name, stage|
      again = other[:stages][name]
      %i[mass_g imbalance_g_mm burst_rpm limit_rpm swing_mm].each do |key|
        expect(again[key]).to be_within(1e-6 * stage[key].abs).of(stage[key]), "#{name} #{key}"
      end
      expect((again[:heavy_clock_deg] + stage[:heavy_clock_deg]) % 360).to be_within(1e-3).of(0).or be_within(1e-3).of(
             360
           )
    end
    expect(other[:defects].map { |defect| defect.slice(:verdict, :breaks_through) }).to eq(
      one[:defects].map { |defect| defect.slice(:verdict, :breaks_through) }
    )
  end
end
