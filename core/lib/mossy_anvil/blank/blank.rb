# frozen_string_literal: true

module MossyAnvil
  # One blank: stock, shape, defects, readings, and the form and lathe it is meant for.
  class Blank
    SHAPES = { "disc" => Disc, "block" => Block, "outline" => Outline }.freeze

    attr_reader :name, :number, :material, :shape, :defects, :readings, :form, :lathe

    def initialize(name:, material:, shape:, defects:, number: nil, readings: [], form: nil, lathe: nil)
      @name = name
      @number = number
      @material = material
      @shape = shape
      @defects = defects.dup.freeze
      @readings = readings.dup.freeze
      @form = form
      @lathe = lathe
      freeze
    end

    # From symbol-keyed data that has passed the schema.
    def self.from(data)
      kind, measures = data[:shape][:type], data[:shape].except(:type)
      new(name: data[:name], number: data[:number],
        material: Material.new(**data[:material]),
        shape: SHAPES.fetch(kind).new(**measures),
        defects: data[:defects].map { |defect| Defects.from(defect) },
        readings: data[:readings] || [],
        form: data[:form] && Form.new(**data[:form]),
        lathe: data[:lathe] && Lathe.new(**data[:lathe]))
    end
  end
end
