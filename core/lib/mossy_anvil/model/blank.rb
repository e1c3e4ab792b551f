# frozen_string_literal: true

module MossyAnvil
  module Model
    # One blank: stock, shape, defects, readings, and the form and lathe it is meant for.
    class Blank
      SHAPES = { "disc" => Disc, "block" => Block, "outline" => Outline }.freeze
      # Shapes, forms and materials that were made of data; the same ones as long as it says the same.
      MADE = Cache.new(60)

      # intake: { origin:, cost:, got_on:, bark: }, whatever is known of it; worth: { outcome:, hours:, rate: } or nil.
      # defects: what was surveyed and what tests show; suspects: bodies that may be there, for the worst case.
      # seen: what of the skin was looked at, as in a blank file.
      # tests: those of the readings that are tests in the hand and still count.
      # centres: where the lathe's centres go; the survey is not about them but about the axis it was made about.
      # mend: its plan of mending as in a blank file, { steps: [...] }, or nil; route: { choices:, done: } or nil, as
      # there.
      extend Record
      fields :name,
             :material,
             :shape,
             :defects,
             number: nil,
             intake: {
             },
             worth: nil,
             suspects: [],
             tests: [],
             readings: [],
             form: nil,
             lathe: nil,
             centres: nil,
             mend: nil,
             route: nil,
             seen: []

      def initialize(**given)
        given = Blank.complete(given)
        @name, @number, @material, @shape, @form, @lathe =
          given.values_at(:name, :number, :material, :shape, :form, :lathe)
        @intake, @worth, @mend, @route = given.values_at(:intake, :worth, :mend, :route).map(&:freeze)
        @defects, @suspects, @tests, @readings, @seen =
          given.values_at(:defects, :suspects, :tests, :readings, :seen).map { |list| list.dup.freeze }
        @centres = given[:centres] || Centres.new
        freeze
      end

      # How much of its skin was looked at.
      def coverage = SurveyCoverage.new(shape, material, seen, defects)

      # { part of the skin => family of finish } the turner decided, string-keyed.
      # { part of the skin => { coats:, mark_mm: } }, what of it is said.
      def finish_by_part = (route || {}).fetch(:by_part, {}).transform_keys(&:to_s)
      def finish_choices = (route || {}).fetch(:finish, {}).transform_keys(&:to_s)

      # { question => answer } the turner decided, string-keyed.
      def route_choices = (route || {}).fetch(:choices, {}).transform_keys(&:to_s)

      # Ids of the steps of its route that are done, and { step:, on:, wall_mm:, moisture_pct: } of the roughing
      # out; nil before that.
      def done_steps = (route || {}).fetch(:done, []).map { |mark| mark[:step] }
      def roughed_out = (route || {}).fetch(:done, []).reverse.find { |mark| mark[:wall_mm] }

      # mm: the section that decides how fast it dries; roughed out, its wall.
      def drying_thickness_mm = roughed_out ? roughed_out[:wall_mm].to_f : shape.least_extent_mm

      # The same with every crack and seam as deep as it may be, and with all that is suspected; nil where nothing is in
      # doubt.
      def at_worst
        worst = defects.map { |defect| defect.path? ? defect.deepest : defect }
        if suspects.empty? && worst.zip(defects).all? { |one, other| one.equal?(other) }
          nil
        else
          with_defects(worst + suspects)
        end
      end

      # The same with another survey, form, stock or place.
      def with_defects(others) = with(defects: others)
      def with_form(other) = with(form: other)
      def with_material(other) = with(material: other)
      def with_centres(other) = with(centres: other)
      def with_route(other) = with(route: other)

      # The same on its centres: shape and defects about the axis between them, where everything is calculated that
      # turns. Itself where they are on the survey's axis.
      def on_centres
        return self if centres.as_surveyed?

        with(
          shape: centres.shape(shape),
          defects: defects.map { |defect| centres.defect(defect, shape) },
          suspects: suspects.map { |defect| centres.defect(defect, shape) },
          centres: Centres.new
        )
      end

      # From symbol-keyed data that has passed the schema.
      def self.from(data)
        new(
          **data.slice(:name, :number, :worth, :mend, :route),
          intake: data[:intake] || {},
          material: MADE.of([Material, data[:material]]) { Material.new(**data[:material]) },
          **surveyed(shape_from(data[:shape]), data[:defects], data[:readings] || []),
          form: data[:form] && MADE.of([Form, data[:form]]) { Form.new(**data[:form]) },
          lathe: data[:lathe] && Lathe.new(**data[:lathe]),
          centres: Centres.new(**(data[:centres] || {})),
          seen: (data[:survey] || {}).fetch(:seen, [])
        )
      end

      # What a survey and its tests say together.
      def self.surveyed(shape, defects, readings)
        surveyed = defects.map { |defect| Defects.from(defect) }
        tests = SurveyTests.new(shape, surveyed, readings)
        {
          shape: shape,
          defects: surveyed + tests.shown,
          suspects: tests.suspects,
          tests: tests.current,
          readings: readings
        }
      end
      private_class_method :surveyed

      def self.shape_from(data) = MADE.of([:shape, data]) { SHAPES.fetch(data[:type]).new(**data.except(:type)) }

      private

      def with(**changes)
        Blank.new(
          name: name,
          number: number,
          intake: intake,
          worth: worth,
          material: material,
          shape: shape,
          defects: defects,
          suspects: suspects,
          tests: tests,
          readings: readings,
          form: form,
          lathe: lathe,
          centres: centres,
          mend: mend,
          route: route,
          seen: seen,
          **changes
        )
      end
    end
  end
end
