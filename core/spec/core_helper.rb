# frozen_string_literal: true

$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "mossy_anvil"

# Small blanks for the examples, in the blank file's own words.
module BlankHelper
  LATHE = {
    "mass_kg" => 140,
    "stand" => "floor",
    "swing_mm" => 400,
    "between_centres_mm" => 600,
    "belts" => [{ "min_rpm" => 60, "max_rpm" => 1200 }, { "min_rpm" => 150, "max_rpm" => 3200 }]
  }.freeze

  def blank_data(**changes)
    {
      "format" => "mossy-anvil/blank",
      "version" => 7,
      "name" => "Test piece",
      "material" => {
        "kind" => "wood",
        "species" => "hornbeam",
        "density_kg_m3" => 600,
        "moisture_pct" => 12,
        "grain" => "burl"
      },
      "shape" => {
        "type" => "disc",
        "diameter_mm" => 240,
        "length_mm" => 60
      },
      "defects" => [],
      "lathe" => LATHE
    }.merge(changes.transform_keys(&:to_s))
  end

  def material_data(**changes) = blank_data["material"].merge(changes.transform_keys(&:to_s))
  # Keys of messages, and all there are within one: of the messages it holds, and of its words.
  def keys(messages) = messages.map { |message| message[:key] }

  def keys_within(message)
    held =
      message[:amounts].values.flat_map do |amount|
        case amount[:unit]
        when "message"
          keys_within(amount[:value])
        when "messages"
          amount[:value].flat_map { |one| keys_within(one) }
        when "term"
          [amount[:value]]
        else
          []
        end
      end
    [message[:key], *held]
  end

  # { name => value } of a message's amounts.
  def values(message) = message[:amounts].transform_values { |amount| amount[:value] }
  def blank(**changes) = MossyAnvil::Formats::BlankFile.from_data(JSON.parse(JSON.generate(blank_data(**changes))))
  def assess(fineness: :default, **changes) =
    MossyAnvil::Report::Assessment.new(blank(**changes), fineness: fineness).to_h

  def crack(id: "b", clock_deg: 60, z_mm: [5, 55], depth_mm: 25, **changes)
    {
      id: id,
      type: "crack",
      enters: "side",
      path: z_mm.map { |z| { clock_deg: clock_deg, z_mm: z } },
      depth_mm: depth_mm,
      width_mm: 2
    }.merge(changes)
  end

  def body(type, id: "v", clock_deg: 0, r_mm: 60, z_mm: 30, size_mm: [30, 22, 18], **changes)
    { id: id, type: type, centre: { clock_deg: clock_deg, r_mm: r_mm, z_mm: z_mm }, size_mm: size_mm }.merge(changes)
  end

  BOWL = {
    kind: "bowl",
    opens: "tail",
    outside: [[4, 45], [20, 85], [56, 110]],
    inside: [[14, 0], [18, 50], [56, 100]],
    curve: "smooth"
  }.freeze

  # A tall vessel of 4 mm wall, so that a crack through it, and not the rim, sets the speed.
  TALL = {
    shape: {
      type: "disc",
      diameter_mm: 240,
      length_mm: 205
    },
    form: {
      kind: "hollow_form",
      opens: "tail",
      outside: [[5, 118], [200, 118]],
      inside: [[15, 114], [200, 114]],
      curve: "straight"
    }
  }.freeze

  # A straight ring: both ends open.
  def ring(outer_mm, inner_mm, length_mm)
    {
      kind: "disc",
      opens: "tail",
      outside: [[0, outer_mm], [length_mm, outer_mm]],
      inside: [[0, inner_mm], [length_mm, inner_mm]],
      curve: "straight"
    }
  end
end

RSpec.configure do |config|
  config.include BlankHelper
  config.disable_monkey_patching!
  config.expect_with(:rspec) { |expectations| expectations.syntax = :expect }
end
