# frozen_string_literal: true

require "tsort"
require_relative "constant_references"

# The files of a tree in which a folder is a layer, and what refers to what among them.
class Layers
  include TSort

  # root: folder. layers: lists of folder names from the top; those in one list may not refer to each other. "" is the
  # root itself.
  def initialize(root, layers)
    @root = root
    @rank = layers.each_with_index.flat_map { |names, rank| names.map { |name| [name, rank] } }.to_h
    @files = Dir[File.join(root, "**", "*.rb")].to_h { |path| [path, ConstantReferences.new(File.read(path))] }
    @edges = @files.keys.to_h { |path| [path, {}] }
    @files.each_key { |path| follow(path) }
  end

  # "turn/burst.rb:12 refers up to Report::StageReport" for each reference that goes up, or to a neighbour.
  def upward
    @edges.flat_map do |from, targets|
      targets.filter_map do |to, (names, line)|
        "#{short(from)}:#{line} refers up to #{names.join("::")} (#{short(to)})" unless allowed?(layer(from), layer(to))
      end
    end
  end

  # Files that refer to each other in a circle.
  def cycles =
    strongly_connected_components
      .select { |files| files.size > 1 }
      .map { |files| files.map { |path| short(path) }.sort }

  # Folders that are in no layer.
  def strangers = @files.keys.map { |path| layer(path) }.uniq - @rank.keys

  private

  def tsort_each_node(&) = @edges.each_key(&)
  def tsort_each_child(path, &) = @edges[path].each_key(&)

  # Files by the constants that they alone define; a module that many open is nobody's.
  def owners
    @owners ||=
      @files
        .flat_map { |path, file| file.definitions.map { |names| [names.join("::"), path] } }
        .group_by(&:first)
        .transform_values { |pairs| pairs.map(&:last).uniq }
        .select { |_, paths| paths.one? }
        .transform_values(&:first)
  end

  def follow(path)
    @files[path].references.each do |reference|
      target = owner_of(reference)
      @edges[path][target] ||= [reference.names, reference.line] if target && target != path
    end
  end

  # As Ruby looks a constant up: from the innermost module outwards, the longest known path first.
  def owner_of(reference)
    reference
      .nesting
      .size
      .downto(0) do |depth|
        scope = reference.nesting.first(depth)
        reference
          .names
          .size
          .downto(1) do |count|
            found = owners[[*scope, *reference.names.first(count)].join("::")]
            return found if found
          end
      end
    nil
  end

  def layer(path) = File.dirname(short(path)).then { |folder| folder == "." ? "" : folder }
  def short(path) = path.delete_prefix("#{@root}/")
  def allowed?(from, to) = from == to || @rank.fetch(from) < @rank.fetch(to)
end
