# frozen_string_literal: true

module Loft
  # Reads a shop archive with limits: what it may hold, how many, how large, and that each part is what its name says.
  class ArchiveReader
    PARTS = { /\Ashop\.json\z/ => "ArchivedShop", /\Aparcel\.json\z/ => "ArchivedParcel",
              /\Astores\.json\z/ => "ArchivedStores",
              /\Apatterns\.json\z/ => "ArchivedPatterns", %r{\Acards/[\w.-]+\.json\z} => "ArchivedCard",
              %r{\Ablanks/[\w.-]+\.anvil\.json\z} => nil, %r{\Ajournals/[\w.-]+\.json\z} => "ArchivedJournal",
              %r{\Aphotographs/[\w.-]+\.json\z} => "ArchivedPhotographs", %r{\Aphotographs/[\w.-]+/[0-9a-f]{64}\.jpg\z} => :picture }.freeze
    MOST_ENTRIES = 4000
    CONTRACT = Contract.new

    def initialize(bytes)
      @bytes = bytes
    end

    # Name => string-keyed data of every part, or its Picture; raises InvalidInput with the part's name first in the path.
    def entries
      found = unpacked.to_h { |name, text| [name, under(name) { part(name) == :picture ? Picture.kept(text, File.basename(name, ".jpg")) : checked(name, MossyAnvil::JsonText.parse(text)) }] }
      refuse("", "has neither shop.json nor parcel.json", "an archive or a parcel that this program wrote") unless found.key?("shop.json") || found.key?("parcel.json")
      found
    end

    private

    def unpacked
      files = Zip::File.open_buffer(StringIO.new(@bytes)).entries.select(&:file?)
      refuse("", "holds #{files.size} files", "at most #{MOST_ENTRIES}") if files.size > MOST_ENTRIES
      files.to_h { |entry| [known(entry.name), inflated(entry)] }
    rescue Zip::Error, Zlib::Error => e
      refuse("", "is no zip that can be read (#{e.class.name.split('::').last})", "a zip archive")
    end

    def known(name)
      return name if PARTS.any? { |pattern, _| pattern.match?(name) }

      refuse("", "holds #{MossyAnvil::SchemaFault.shown(name)}", "shop.json or parcel.json, stores.json, patterns.json, blanks, journals, cards and photographs only")
    end

    # Never more than one blank file may be, whatever the zip says of its size.
    def inflated(entry)
      limit = MossyAnvil::JsonText::MAX_BYTES
      text = entry.get_input_stream.read(limit + 1).to_s
      text.bytesize > limit ? refuse("/#{entry.name}", "is larger than #{limit} bytes", "one blank or journal") : text
    end

    def checked(name, data)
      schema = part(name)
      return blank(data) unless schema

      whole = CONTRACT.check(schema, data)
      schema == "ArchivedCard" ? whole.merge("document" => under("document") { blank(whole["document"]) }) : whole
    end

    # A blank document of any version, as the present one has it.
    def blank(data) = MossyAnvil::BlankFile.current(data).tap { |document| MossyAnvil::BlankFile.from_data(document) }

    def part(name) = PARTS.find { |pattern, _| pattern.match?(name) }.last

    def under(name)
      yield
    rescue MossyAnvil::InvalidInput => e
      raise(MossyAnvil::InvalidInput, e.faults.map { |fault| MossyAnvil::Fault.new(**fault.to_h, path: "/#{name}#{fault.path}") })
    end

    def refuse(path, problem, allowed)
      raise MossyAnvil::InvalidInput, [MossyAnvil::Fault.new(path: path, problem: problem, allowed: allowed)]
    end
  end
end
