# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The photographs of the blanks.
      class Photographs
        MOST_OF_ONE = 40
        SHOWN = %i[id sha256 width_px height_px view caption mm_per_share hidden].freeze

        def initialize(db)
          @db = db
        end

        # What is known of each picture of a blank, oldest first, without the pictures themselves; raises NotFound.
        def of(blank_id)
          @db[:blanks].where(id: blank_id).get(:id) or raise NotFound, "there is no blank #{blank_id}"
          rows(blank_id).order(:id).map { |row| shown(row) }
        end

        # Keeps a Picture; the same one sent again is kept once. about: { view:, caption:, scale: }. Returns what is
        # known of it.
        def add(blank_id, picture, about)
          known = of(blank_id)
          refuse_more if known.size >= MOST_OF_ONE && known.none? { |one| one[:sha256] == picture.sha256 }
          @db[:photographs].insert_conflict(target: %i[blank_id sha256]).insert(
            blank_id: blank_id,
            sha256: picture.sha256,
            bytes: Sequel.blob(picture.bytes),
            width_px: picture.width_px,
            height_px: picture.height_px,
            **columns(about),
            **(about["taken_at"] ? { taken_at: Time.parse(about["taken_at"]) } : {})
          )
          of(blank_id).find { |one| one[:sha256] == picture.sha256 }
        end

        # Says something else of a picture; raises NotFound.
        def change(blank_id, id, about)
          changed = @db[:photographs].where(blank_id: blank_id, id: id).update(**columns(about))
          raise NotFound, "there is no photograph #{id} of this blank" if changed.zero?

          of(blank_id).find { |one| one[:id] == id }
        end

        # The JPEG's bytes; raises NotFound.
        def bytes(blank_id, id) =
          @db[:photographs].where(blank_id: blank_id, id: id).get(:bytes) ||
            raise(NotFound, "there is no photograph #{id} of this blank")

        private

        def rows(blank_id) = @db[:photographs].where(blank_id: blank_id).select(*SHOWN, :centre_x, :centre_y, :taken_at)

        def shown(row)
          scale =
            row[:mm_per_share] && { mm_per_share: row[:mm_per_share], centre: row.values_at(:centre_x, :centre_y) }
          row.slice(*(SHOWN - [:mm_per_share])).merge(scale: scale, taken_at: row[:taken_at].utc.iso8601)
        end

        def columns(about)
          scale = about["scale"]
          {
            view: about["view"],
            caption: about["caption"] || "",
            hidden: about["hidden"] || false,
            mm_per_share: scale && scale["mm_per_share"],
            centre_x: scale && scale["centre"][0],
            centre_y: scale && scale["centre"][1]
          }
        end

        def refuse_more
          raise MossyAnvil::InvalidInput,
                [
                  MossyAnvil::Fault.new(
                    path: "/file",
                    problem: "is one more than #{MOST_OF_ONE} of one blank",
                    allowed: "#{MOST_OF_ONE} at most"
                  )
                ]
        end
      end
    end
  end
end
