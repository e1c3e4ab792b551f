# frozen_string_literal: true

module MossyAnvil
  # One blank: stock, shape, defects, readings, and the form and lathe it is meant for.
  class Blank
    SHAPES = { "disc" => Disc, "block" => Block, "outline" => Outline }.freeze

    # intake: { origin:, cost:, got_on:, bark: }, whatever is known of it.
    attr_reader :name, :number, :intake, :material, :shape, :defects, :readings, :form, :lathe

    def initialize(name:, material:, shape:, defects:, number: nil, intake: {}, readings: [], form: nil, lathe: nil)
      @name = name
      @number = number
      @intake = intake.freeze
      @material = material
      @shape = shape
      @defects = defects.dup.freeze
      @readings = readings.dup.freeze
      @form = form
      @lathe = lathe
      freeze
    end

    # The same with every crack and seam as deep as it may be; nil where none is in doubt.
    def at_worst
      worst = defects.map { |defect| defect.path? ? defect.deepest : defect }
      worst.zip(defects).all? { |one, other| one.equal?(other) } ? nil : with_defects(worst)
    end

    # The same with another survey.
    def with_defects(others)
      Blank.new(name: name, number: number, intake: intake, material: material, shape: shape, defects: others, readings: readings, form: form, lathe: lathe)
    end

    # From symbol-keyed data that has passed the schema.
    def self.from(data)
      kind, measures = data[:shape][:type], data[:shape].except(:type)
      new(name: data[:name], number: data[:number], intake: data[:intake] || {},
        material: Material.new(**data[:material]),
        shape: SHAPES.fetch(kind).new(**measures),
        defects: data[:defects].map { |defect| Defects.from(defect) },
        readings: data[:readings] || [],
        form: data[:form] && Form.new(**data[:form]),
        lathe: data[:lathe] && Lathe.new(**data[:lathe]))
    end
  end
end
