# frozen_string_literal: true

require "zip"

module MossyAnvil
  module Server
    module Services
      # Reads a shop archive part by part, with limits: what it may hold, how many, how large each kind and all of them
      # unpacked, and that each part is what its name says. No limit is lower than what a shop can hold of that kind
      # (docs/limits.md).
      class ArchiveReader
        # What a part of a certain name is: the contract's schema it must fit (nil for a blank file, :picture for a
        # JPEG), and bytes it may have.
        Kind = Struct.new(:schema, :most_bytes)

        MB = 1_000_000
        KINDS = {
          /\Ashop\.json\z/ => Kind.new("ArchivedShop", 8 * MB),
          /\Aparcel\.json\z/ => Kind.new("ArchivedParcel", MB),
          /\Astores\.json\z/ => Kind.new("ArchivedStores", 64 * MB),
          /\Apatterns\.json\z/ => Kind.new("ArchivedPatterns", 32 * MB),
          %r{\Acards/[\w.-]+\.json\z} => Kind.new("ArchivedCard", 32 * MB),
          %r{\Ablanks/[\w.-]+\.anvil\.json\z} => Kind.new(nil, MossyAnvil::Formats::JsonText::MAX_BYTES),
          %r{\Ajournals/[\w.-]+\.json\z} => Kind.new("ArchivedJournal", 64 * MB),
          %r{\Aphotographs/[\w.-]+\.json\z} => Kind.new("ArchivedPhotographs", MB),
          %r{\Aphotographs/[\w.-]+/[0-9a-f]{64}\.jpg\z} => Kind.new(:picture, Picture::MOST_KEPT_BYTES)
        }.freeze
        MOST_FILES = 50_000
        # Of everything but pictures, unpacked. Pictures do not shrink in a zip: together they are no larger than it is,
        # give or take PICTURES_SLACK.
        MOST_TEXT_BYTES = 1_000 * MB
        PICTURES_SLACK = 1.1

        # path: of the zip. Raises InvalidInput.
        def initialize(path)
          @picture_room = File.size(path) * PICTURES_SLACK
          @text_room = MOST_TEXT_BYTES
          @zip = Zip::File.open(path)
          files = @zip.entries.select(&:file?)
          if files.size > MOST_FILES
            refuse(
              "",
              MossyAnvil::Fault.t("holds_files", size: files.size),
              MossyAnvil::Fault.t("at_most", limit: MOST_FILES)
            )
          end
          @files = files.to_h { |entry| [known(entry.name), entry] }
          unless key?("shop.json") || key?("parcel.json")
            refuse(
              "",
              MossyAnvil::Fault.t("has_neither_shop_json_nor_parcel_json"),
              MossyAnvil::Fault.t("an_archive_or_a_parcel_that_this")
            )
          end
        rescue Zip::Error, Zlib::Error => e
          unreadable(e)
        end

        def key?(name) = @files.key?(name)

        # Names of the blank files, in order.
        def blanks = @files.keys.grep(%r{\Ablanks/}).sort

        # Names of the journals that go with a stem, in order: a long one is in several.
        def journals(stem) =
          @files
            .keys
            .grep(%r{\Ajournals/#{Regexp.escape(stem)}(\.\d+)?\.json\z})
            .sort_by { |name| name[/\.(\d+)\.json\z/, 1].to_i }

        # String-keyed data of a part, or its Picture; nil where there is no such part. Raises InvalidInput with the
        # part's name first in the path.
        def [](name)
          entry = @files[name] or return
          kind = kind_of(name)
          under(name) do
            text = inflated(entry, kind)
            if kind.schema == :picture
              Picture.kept(text, File.basename(name, ".jpg"))
            else
              checked(kind.schema, parsed(text, kind))
            end
          end
        rescue Zip::Error, Zlib::Error => e
          unreadable(e)
        end

        # What the block refuses, under a part's name.
        def under(name)
          yield
        rescue MossyAnvil::InvalidInput => e
          raise(
            MossyAnvil::InvalidInput,
            e.faults.map { |fault| MossyAnvil::Fault.new(**fault.to_h, path: "/#{name}#{fault.path}") }
          )
        end

        private

        def kind_of(name) = KINDS.find { |pattern, _| pattern.match?(name) }&.last

        def known(name)
          return name if name.valid_encoding? && kind_of(name)

          refuse(
            "",
            MossyAnvil::Fault.t("holds", given: MossyAnvil::Fault.shown(name.scrub)),
            MossyAnvil::Fault.t("shop_json_or_parcel_json_stores_json")
          )
        end

        # Read up to its limit, whatever the zip says of its size.
        def inflated(entry, kind)
          text = entry.get_input_stream { |stream| stream.read(kind.most_bytes + 1) }.to_s
          if text.bytesize > kind.most_bytes
            refuse(
              "",
              MossyAnvil::Fault.t("is_larger_than_bytes", most: kind.most_bytes),
              MossyAnvil::Fault.t("at_most_so_many")
            )
          end
          kind.schema == :picture ? @picture_room -= text.bytesize : @text_room -= text.bytesize
          room = [@picture_room, @text_room].min
          if room.negative?
            refuse(
              "",
              MossyAnvil::Fault.t("unpacks_with_what_came_before_it_to"),
              MossyAnvil::Fault.t("bytes", most: MOST_TEXT_BYTES)
            )
          end
          text
        end

        # An archive from before the catalogue of texts keeps English in its cards.
        def parsed(text, kind)
          data = MossyAnvil::Formats::JsonText.parse(text, most_bytes: kind.most_bytes)
          kind.schema == "ArchivedCard" && data.is_a?(Hash) ? Store::OldTexts.card(data) : data
        end

        def checked(schema, data)
          return blank(data) unless schema

          whole = Contract.own.check(schema, data)
          schema == "ArchivedCard" ? card(whole) : whole
        end

        def card(whole) =
          whole
            .merge("document" => blank(whole["document"], "/document"))
            .tap { |found| ArchivedCardRules.new(found).check }

        # A blank document of any version, as the present one has it.
        def blank(data, at = "")
          MossyAnvil::Formats::BlankFile
            .current(data)
            .tap { |document| MossyAnvil::Formats::BlankFile.from_data(document) }
        rescue MossyAnvil::InvalidInput => e
          raise(
            MossyAnvil::InvalidInput,
            e.faults.map { |fault| MossyAnvil::Fault.new(**fault.to_h, path: "#{at}#{fault.path}") }
          )
        end

        def unreadable(error) =
          refuse(
            "",
            MossyAnvil::Fault.t("is_no_zip_that_can_be_read", most: error.class.name.split("::").last),
            MossyAnvil::Fault.t("a_zip_archive")
          )

        def refuse(path, problem, allowed)
          raise MossyAnvil::InvalidInput.at(path, problem, allowed)
        end
      end
    end
  end
end
