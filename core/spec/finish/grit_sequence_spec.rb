# frozen_string_literal: true

RSpec.describe MossyAnvil::Finish::GritSequence do
  it "starts tear-out of 0.8 mm at P60" do
    expect(described_class.first_grit(0.8)).to eq(60)
  end

  it "never steps further than the stock allows where the table has a paper between" do
    sizes = MossyAnvil::Table["grits"]["median_um"]
    { "wood" => 1.6, "hybrid" => 1.35 }.each do |kind, ratio|
      grits = described_class.from_mark(0.8, last_grit: 400, material_kind: kind)
      grits.each_cons(2) do |coarse, fine|
        between = sizes.keys.any? { |grit| grit > coarse && grit < fine }
        expect(sizes[coarse] / sizes[fine].to_f).to be <= ratio + 1e-9 if between
      end
      expect(grits.last).to eq(400)
    end
  end

  it "takes the coarsest for marks deeper than any paper" do
    expect(described_class.first_grit(9)).to eq(40)
  end

  it "refuses a last grit that does not exist" do
    expect { described_class.from_mark(0.3, last_grit: 333) }.to raise_error(MossyAnvil::ReckoningError, /P333/)
  end
end
