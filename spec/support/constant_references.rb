# frozen_string_literal: true

require "ripper"

# The constants a Ruby file defines and those it refers to, each with its line and the modules it stands in.
class ConstantReferences
  # names: ["Model", "Blank"] for Model::Blank. nesting: ["MossyAnvil", "Turn", "Burst"].
  Reference = Struct.new(:names, :line, :nesting)

  attr_reader :references, :definitions

  def initialize(source)
    @references = []
    @definitions = []
    walk(Ripper.sexp(source), [])
  end

  private

  def walk(node, nesting)
    return unless node.is_a?(Array)

    case node
    in [:class, name, parent, body]
      walk(parent, nesting)
      walk(body, define(name, nesting))
    in [:module, name, body]
      walk(body, define(name, nesting))
    in [:assign, [:var_field, [:@const, name, _]], value]
      @definitions << [*nesting, name]
      walk(value, nesting)
    else
      refer(node, nesting)
    end
  end

  def define(name, nesting)
    [*nesting, *path(name).first].tap { |names| @definitions << names }
  end

  def refer(node, nesting)
    names, line = path(node)
    return node.each { |child| walk(child, nesting) } unless names

    @references << Reference.new(names, line, nesting)
  end

  # [names, line] of a constant's path, or nil of any other node.
  def path(node)
    case node
    in [:var_ref | :const_ref, [:@const, name, [line, _]]]
      [[name], line]
    in [:const_path_ref, inner, [:@const, name, _]]
      path(inner)&.then { |names, line| [names + [name], line] }
    else
      nil
    end
  end
end
