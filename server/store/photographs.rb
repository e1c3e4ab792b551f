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
          @db[:blanks].where(id: blank_id).get(:id) or
            raise NotFound, Problems.text("refused.there_is_no_blank", id: blank_id)
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
          raise NotFound, Problems.text("refused.there_is_no_photograph_of_this_blank", id: id) if changed.zero?

          of(blank_id).find { |one| one[:id] == id }
        end

        # The JPEG's bytes; raises NotFound.
        def bytes(blank_id, id) =
          @db[:photographs].where(blank_id: blank_id, id: id).get(:bytes) ||
            raise(NotFound, Problems.text("refused.there_is_no_photograph_of_this_blank", id: id))

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
          raise MossyAnvil::InvalidInput.at(
                  "/file",
                  MossyAnvil::Fault.t("is_one_more_than_of_one_blank", most: MOST_OF_ONE),
                  MossyAnvil::Fault.t("at_most", limit: MOST_OF_ONE)
                )
        end
      end
    end
  end
end
