# frozen_string_literal: true

module MossyAnvil
  module Server
    # Codes of plain words, easily read out: five of 256 words are one of 2**40.
    module PairingWords
      SIZE = 5
      WORDS = File.readlines(File.join(ROOT, "server", "data", "pairing_words.txt"), chomp: true).freeze

      module_function

      def draw = Array.new(SIZE) { WORDS[SecureRandom.random_number(WORDS.size)] }.join(" ")

      # However it was typed or put into an address.
      def plain(text) = text.downcase.scan(/[a-z]+/).join(" ")
    end
  end
end
