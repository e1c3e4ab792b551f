# frozen_string_literal: true

# A document that names a file names one that is there.
RSpec.describe "The documents" do
  root = File.expand_path("..", __dir__)
  documents = Dir[File.join(root, "{README,CONTRIBUTING}.md"), File.join(root, "docs/**/*.md")]
  roots = [root, File.join(root, "core"), File.join(root, "core/lib/mossy_anvil"), File.join(root, "web/src")]

  documents.each do |path|
    it "names in #{path.delete_prefix("#{root}/")} only files that are there" do
      text = File.read(path)
      linked = text.scan(/\]\((?!https?:|#)([^)#]+)/).flatten.map { |link| File.expand_path(link, File.dirname(path)) }
      named = text.scan(%r{`((?:[\w.-]+/)+[\w.-]+\.(?:rb|ts|tsx|yaml|yml|json|md|env|js))`}).flatten
      named.reject! { |file| file.match?(/[A-Z]{4}/) }
      missing =
        linked.reject { |file| File.exist?(file) } +
          named.reject { |file| roots.any? { |base| File.exist?(File.join(base, file)) } }
      expect(missing).to eq([])
    end
  end
end
