# frozen_string_literal: true

# One casting of a plain blank, and what is told of it.
module CastHelper
  def cast(blank_changes = {}, **step)
    data = {
      id: "cast",
      do: "cast",
      with: "casting_epoxy_deep",
      mould: {
        type: "box",
        width_mm: 160,
        length_mm: 160,
        depth_mm: 70
      }
    }.merge(step)
    MossyAnvil::Report::MendReport.new(blank(**blank_changes, mend: { steps: [data] })).to_h[:steps].first
  end

  def detail(...) = cast(...)[:detail][:cast]
  def texts(step) = step[:says].map { |one| one[:text] }
end
