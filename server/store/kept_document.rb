# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # A blank document back from the rows that Rows made of it.
      module KeptDocument
        module_function

        # The document back, from a blank's row and the rows that belong to it.
        def of(row, defects:, form:, sketches:, readings:, lathe:)
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
            **Rows::AS_JSON.to_h { |key| [key.to_s, Rows.data(row[key])] }
          }.then { |whole| compact(whole) }
        end

        def material_of(row) =
          compact(Rows::MATERIAL.to_h { |key| [key.to_s, row[key]] }.merge("character" => row[:character]&.to_a))

        def form_of(row)
          follows = row[:wall_mm] && Rows::FOLLOWS.to_h { |key| [key.to_s, row[key]] }
          compact(
            {
              **row.slice(:kind, :opens, :use, :curve).transform_keys(&:to_s),
              "outside" => Rows.data(row[:outside]),
              "inside" => Rows.data(row[:inside]),
              "follows" => follows
            }
          )
        end

        def sketch_of(row) =
          compact({ "name" => row[:name], "form" => Rows.data(row[:form]), "centres" => Rows.data(row[:centres]) })

        def intake_of(row)
          known = compact(Rows::INTAKE.to_h { |key| [key.to_s, row[key].is_a?(Date) ? row[key].iso8601 : row[key]] })
          known unless known.empty?
        end

        def worth_of(row) = row[:worth_outcome] && Rows::WORTH.transform_values { |column| row[column] }

        def commission_of(row) = row[:due_on] && compact("due_on" => row[:due_on].iso8601, "words" => row[:asked_for])

        def shape_of(row)
          offset = row[:offset_x_mm] && [row[:offset_x_mm], row[:offset_y_mm]]
          compact(
            {
              "type" => row[:shape_type],
              **Rows::MEASURES.to_h { |key| [key.to_s, row[key]] },
              "stations" => Rows.data(row[:stations]),
              "centre_offset_mm" => offset
            }
          )
        end

        def defect_of(row)
          size = Rows::EXTENTS.map { |key| row[key] }
          centre = Rows::BODY.keys.to_h { |key| [key.to_s, row[key]] }
          compact(
            {
              "id" => row[:ref],
              **Rows::DEFECT_COLUMNS.to_h { |key| [key.to_s, row[key]] },
              "path" => Rows.data(row[:path]),
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
              **Rows::LATHE.to_h { |key| [key.to_s, row[key]] },
              "belts" => Rows.data(row[:belts]),
              "jaws_mm" => Rows.data(row[:jaws_mm])
            }
          )
        end

        def compact(hash) = hash.compact
        private_class_method :compact,
                             :material_of,
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
