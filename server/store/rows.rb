# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The rows a blank document is kept in; KeptDocument is the way back. Nothing is lost either way: a key left out
      # stays out.
      module Rows
        BODY = { clock_deg: %w[centre clock_deg], r_mm: %w[centre r_mm], z_mm: %w[centre z_mm] }.freeze
        EXTENTS = %i[radial_mm tangential_mm axial_mm].freeze
        DEFECT_COLUMNS = %i[
          type
          group
          chosen
          enters
          depth_mm
          found_by
          width_mm
          through
          mend
          contents
          grade
          hole_diameter_mm
          holes_per_cm2
          bubble_diameter_mm
          bubbles_per_cm3
          bonded_share
          density_kg_m3
          soaked_share
        ].freeze
        INTAKE = %i[origin cost got_on bark].freeze
        COMMISSION = { "due_on" => :due_on, "words" => :asked_for }.freeze
        WORTH = { "outcome" => :worth_outcome, "hours" => :worth_hours, "rate" => :worth_rate }.freeze
        MATERIAL = %i[kind species density_kg_m3 moisture_pct resin_kg_m3 grain grain_clock_deg pith].freeze
        MEASURES = %i[diameter_mm width_mm height_mm length_mm].freeze
        AS_JSON = %i[centres mend route survey].freeze
        FOLLOWS = %i[wall_mm floor_mm].freeze
        LATHE = %i[mass_kg ballast_kg stand swing_mm between_centres_mm power_w].freeze

        module_function

        # Columns of the blanks table.
        def blank(document)
          material, shape = document.values_at("material", "shape")
          {
            number: document["number"],
            name: document["name"],
            **INTAKE.to_h { |key| [key, document.dig("intake", key.to_s)] },
            **WORTH.to_h { |key, column| [column, document.dig("worth", key)] },
            **COMMISSION.to_h { |key, column| [column, document.dig("commission", key)] },
            character: material["character"] && Sequel.pg_array(material["character"], :text),
            **AS_JSON.to_h { |key| [key, json(document[key.to_s])] },
            **MATERIAL.to_h { |key| [key, material[key.to_s]] },
            **shape(shape)
          }
        end

        def shape(shape)
          offset = shape["centre_offset_mm"]
          {
            shape_type: shape["type"],
            stations: json(shape["stations"]),
            offset_x_mm: offset&.first,
            offset_y_mm: offset&.last,
            **MEASURES.to_h { |key| [key, shape[key.to_s]] }
          }
        end

        # Rows of the defects table, in the order of the survey.
        def defects(document)
          document["defects"].each_with_index.map do |defect, position|
            {
              position: position,
              ref: defect["id"],
              path: json(defect["path"]),
              made_of: defect["of"],
              found_on: defect["found_on"],
              **DEFECT_COLUMNS.to_h { |key| [key, defect[key.to_s]] },
              depth_least_mm: defect.dig("depth_range_mm", 0),
              depth_most_mm: defect.dig("depth_range_mm", 1),
              **BODY.transform_values { |path| defect.dig(*path) },
              **EXTENTS.each_with_index.to_h { |key, axis| [key, defect.dig("size_mm", axis)] }
            }
          end
        end

        def form(document)
          form = document["form"] or return
          {
            kind: form["kind"],
            opens: form["opens"],
            use: form["use"],
            curve: form["curve"],
            outside: json(form["outside"]),
            inside: json(form["inside"]),
            **FOLLOWS.to_h { |key| [key, form.dig("follows", key.to_s)] }
          }
        end

        # Rows of the sketches table.
        def sketches(document)
          (document["sketches"] || []).each_with_index.map do |sketch, position|
            { position: position, name: sketch["name"], form: json(sketch["form"]), centres: json(sketch["centres"]) }
          end
        end

        def reading(reading)
          {
            kind: reading["kind"],
            value: reading["value"],
            found: reading["found"],
            clock_deg: reading.dig("at", "clock_deg"),
            z_mm: reading.dig("at", "z_mm"),
            r_mm: reading.dig("at", "r_mm"),
            depth_mm: reading["depth_mm"],
            taken_at: Time.parse(reading["taken_at"]),
            by: reading["by"]
          }
        end

        def lathe(document)
          lathe = document["lathe"] or return
          LATHE
            .to_h { |key| [key, lathe[key.to_s]] }
            .merge(ballast_kg: lathe["ballast_kg"] || 0, belts: json(lathe["belts"]), jaws_mm: json(lathe["jaws_mm"]))
        end

        # JSON as it came out of the database, as plain data.
        def data(value) = value && JSON.parse(JSON.generate(value))

        # Plain data as a column of JSON takes it; nil stays nil.
        def json(value) = value && Sequel.pg_jsonb_wrap(value)
      end
    end
  end
end
