# frozen_string_literal: true

require "zip"

module MossyAnvil
  module Server
    module Services
      # The whole shop as one zip: shop.json, stores.json with what stands on the shelf and what the shop's work has
      # shown, patterns.json with its own curves, a blank file for every blank, its journal, its photographs and the
      # card it is worked by beside it. A parcel is the same of one blank, without the shop.
      # Written by ArchiveWriter, read by ArchiveReader, taken in by ArchiveIntake.
      module Archive
        MAX_BYTES = 4_000_000_000
        FORMAT = { "format" => "mossy-anvil/shop", "version" => 1 }.freeze
        PARCEL = { "format" => "mossy-anvil/parcel", "version" => 1 }.freeze

        module_function

        # "31-clock-surround" of a blank document.
        def stem(document) = [document["number"], slug(document["name"])].compact.join("-")
        def slug(text) =
          text.downcase.gsub(/[^a-z0-9]+/, "-").gsub(/\A-|-\z/, "").then { |slug| slug.empty? ? "blank" : slug[0, 60] }

        # Can the archive at that path be taken in again?
        def fits?(path) =
          File.size(path) <= MAX_BYTES && Zip::File.open(path) { |zip| zip.size <= ArchiveReader::MOST_FILES }
      end
    end
  end
end
