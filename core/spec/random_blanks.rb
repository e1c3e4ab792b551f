# frozen_string_literal: true

# Blanks and forms made up from a seed, in the blank file's own words: what the promises of safety_spec are tried on.
class RandomBlanks
  GRAINS = %w[end burl face].freeze

  def initialize(seed)
    @random = Random.new(seed)
  end

  attr_reader :random

  # A hollow form in a disc, with none to four defects.
  def document
    radius, length = pick(40.0..190.0), pick(40.0..260.0)
    wall = pick(3.0..[0.3 * radius, 22].min)
    {
      "format" => "mossy-anvil/blank",
      "version" => 7,
      "name" => "Made up",
      "material" => material,
      "shape" => {
        "type" => "disc",
        "diameter_mm" => 2 * (radius + 6),
        "length_mm" => length + 14
      },
      "form" => form(radius, length, wall),
      "defects" => Array.new(random.rand(0..4)) { |index| defect("d#{index}", radius + 6, length + 14, wall) }
    }
  end

  def material
    grain = GRAINS.sample(random: random)
    {
      "kind" => "wood",
      "species" => "hornbeam",
      "density_kg_m3" => pick(420..900),
      "moisture_pct" => pick(8..26),
      "grain" => grain
    }.merge(grain == "face" ? { "grain_clock_deg" => pick(0..359) } : {})
  end

  # A tub, a bowl or a flare; the inside follows at the wall.
  def form(radius, length, wall)
    foot = radius * [1.0, 0.45, 0.7].sample(random: random)
    outside = [[8, foot], [8 + (length * 0.4), foot + ((radius - foot) * 0.8)], [8 + length, radius]]
    {
      "kind" => "bowl",
      "opens" => "tail",
      "curve" => "straight",
      "outside" => outside,
      "follows" => {
        "wall_mm" => wall,
        "floor_mm" => [wall, 6].max
      }
    }
  end

  def defect(id, radius, length, wall)
    send(
      %i[crack crack bark void void soft galleries face_crack loose].sample(random: random),
      id,
      radius,
      length,
      wall
    )
  end

  def crack(id, radius, length, wall)
    low = pick(0..(length * 0.7))
    {
      "id" => id,
      "type" => "crack",
      "enters" => "side",
      "path" => path(low, pick((low + 5)..length)),
      "depth_mm" => pick(2.0..[radius * 0.9, 6 + (3 * wall)].min),
      "width_mm" => pick(0.1..5.0)
    }
  end

  def bark(id, radius, length, wall) = crack(id, radius, length, wall).merge("type" => "bark_inclusion")

  def face_crack(id, radius, length, _wall)
    clock = pick(0..359)
    {
      "id" => id,
      "type" => "crack",
      "enters" => "tail_face",
      "width_mm" => pick(0.1..4.0),
      "depth_mm" => pick(4..(length * 0.8)),
      "path" => [
        { "clock_deg" => clock, "z_mm" => length, "r_mm" => pick(0..(radius / 2)) },
        { "clock_deg" => clock, "z_mm" => length, "r_mm" => radius }
      ]
    }
  end

  def path(low, high)
    clock = pick(0..359)
    [{ "clock_deg" => clock, "z_mm" => low }, { "clock_deg" => (clock + pick(-10..10)) % 360, "z_mm" => high }]
  end

  def body(id, type, radius, length, extra)
    {
      "id" => id,
      "type" => type,
      "centre" => {
        "clock_deg" => pick(0..359),
        "r_mm" => pick((radius * 0.4)..radius),
        "z_mm" => pick(5..(length - 5))
      },
      "size_mm" => [pick(8..50), pick(8..50), pick(8..(length * 0.8))]
    }.merge(extra)
  end

  def void(id, radius, length, _wall) =
    body(id, "void", radius, length, "contents" => %w[air bark dirt].sample(random: random))
  def soft(id, radius, length, _wall) =
    body(id, "soft_zone", radius, length, "grade" => %w[firm soft spongy].sample(random: random))
  def galleries(id, radius, length, _wall) =
    body(id, "galleries", radius, length, "hole_diameter_mm" => pick(1.0..3.0), "holes_per_cm2" => pick(1..8))
  def loose(id, radius, length, _wall) = body(id, "loose_piece", radius, length, "bonded_share" => pick(0.0..1.0))

  # A number out of a range, rounded so that a failure can be read.
  def pick(range) = random.rand(range).then { |value| value.is_a?(Float) ? value.round(2) : value }
end
