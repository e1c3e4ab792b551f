# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Between a blank document and the rows it is kept in. Nothing is lost either way: a key left out stays out.
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

        # The document back, from a blank's row and the rows that belong to it.
        def document(row, defects:, form:, sketches:, readings:, lathe:)
          {
            "format" => "mossy-anvil/blank",
            "version" => MossyAnvil::Formats::BlankFile::VERSION,
            "name" => row[:name],
            "number" => row[:number],
            "intake" => intake_of(row),
            "worth" => worth_of(row),
            "commission" => commission_of(row),
            "material" => material_of(row),
            "shape" => shape_of(row),
            "defects" => defects.map { |defect| defect_of(defect) },
            "readings" => readings.empty? ? nil : readings.map { |reading| reading_of(reading) },
            "form" => form && form_of(form),
            "sketches" => sketches.empty? ? nil : sketches.map { |sketch| sketch_of(sketch) },
            "lathe" => lathe && lathe_of(lathe),
            **AS_JSON.to_h { |key| [key.to_s, data(row[key])] }
          }.then { |whole| compact(whole) }
        end

        def material_of(row) =
          compact(MATERIAL.to_h { |key| [key.to_s, row[key]] }.merge("character" => row[:character]&.to_a))

        def form_of(row)
          follows = row[:wall_mm] && FOLLOWS.to_h { |key| [key.to_s, row[key]] }
          compact(
            {
              **row.slice(:kind, :opens, :use, :curve).transform_keys(&:to_s),
              "outside" => data(row[:outside]),
              "inside" => data(row[:inside]),
              "follows" => follows
            }
          )
        end

        def sketch_of(row) =
          compact({ "name" => row[:name], "form" => data(row[:form]), "centres" => data(row[:centres]) })

        def intake_of(row)
          known = compact(INTAKE.to_h { |key| [key.to_s, row[key].is_a?(Date) ? row[key].iso8601 : row[key]] })
          known unless known.empty?
        end

        def worth_of(row) = row[:worth_outcome] && WORTH.transform_values { |column| row[column] }

        def commission_of(row) = row[:due_on] && compact("due_on" => row[:due_on].iso8601, "words" => row[:asked_for])

        def shape_of(row)
          offset = row[:offset_x_mm] && [row[:offset_x_mm], row[:offset_y_mm]]
          compact(
            {
              "type" => row[:shape_type],
              **MEASURES.to_h { |key| [key.to_s, row[key]] },
              "stations" => data(row[:stations]),
              "centre_offset_mm" => offset
            }
          )
        end

        def defect_of(row)
          size = EXTENTS.map { |key| row[key] }
          centre = BODY.keys.to_h { |key| [key.to_s, row[key]] }
          compact(
            {
              "id" => row[:ref],
              **DEFECT_COLUMNS.to_h { |key| [key.to_s, row[key]] },
              "path" => data(row[:path]),
              "of" => row[:made_of],
              "found_on" => row[:found_on]&.iso8601,
              "depth_range_mm" => row[:depth_least_mm] && [row[:depth_least_mm], row[:depth_most_mm]],
              "centre" => size.first && centre,
              "size_mm" => size.first && size
            }
          )
        end

        def reading_of(row)
          at = { "clock_deg" => row[:clock_deg], "z_mm" => row[:z_mm], "r_mm" => row[:r_mm] }
          compact(
            {
              "kind" => row[:kind],
              "value" => row[:value],
              "found" => row[:found],
              "taken_at" => row[:taken_at].utc.iso8601,
              "at" => row[:z_mm] && compact(at),
              "depth_mm" => row[:depth_mm],
              "by" => row[:by]
            }
          )
        end

        # A lathe as in a blank file, from its row.
        def lathe_of(row)
          compact(
            {
              **LATHE.to_h { |key| [key.to_s, row[key]] },
              "belts" => data(row[:belts]),
              "jaws_mm" => data(row[:jaws_mm])
            }
          )
        end

        # JSON as it came out of the database, as plain data.
        def data(value) = value && JSON.parse(JSON.generate(value))

        def compact(hash) = hash.compact
        def json(value) = value && Sequel.pg_jsonb_wrap(value)
        private_class_method :compact,
                             :json,
                             :form_of,
                             :sketch_of,
                             :intake_of,
                             :worth_of,
                             :commission_of,
                             :shape_of,
                             :defect_of,
                             :reading_of
      end
    end
  end
end
