# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::ProfileLine do
  def points(line, from_z_mm: 0) = described_class.points(line, from_z_mm: from_z_mm, at: "/curve")

  it "begins where it is told to, whichever way round it was drawn" do
    expect(points([[10, 30], [50, 20]], from_z_mm: 4)).to eq([[4, 30], [44, 20]])
    expect(points([[50, -20], [10, -30]], from_z_mm: 4)).to eq([[4, 30], [44, 20]])
  end

  it "takes a step as a hair's way along, and a place said twice once" do
    expect(points([[0, 10], [20, 10], [20, 10], [20, 14], [40, 14]]).map { |z_mm, _| z_mm }).to eq(
      [0, 20, 20 + described_class::STEP_MM, 40]
    )
  end

  it "lets a hand waver by less than it can see, and no more" do
    expect(points([[0, 10], [20, 12], [19.97, 14], [40, 14]]).map(&:first)).to match([0, 20, be > 20, 40])
    expect { points([[0, 10], [20, 12], [19.9, 14], [40, 14]]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/curve: turns back at 20}
    )
    expect { points([[0, 10], [20, -2]]) }.to raise_error(MossyAnvil::InvalidInput, %r{/curve: crosses the axis})
  end
end
