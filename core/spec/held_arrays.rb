# frozen_string_literal: true

require "objspace"

# How many bytes of numerical arrays an object keeps alive: Ruby's own count of memory does not see them.
module HeldArrays
  # Of everything that can be reached from it but through classes.
  def self.bytes(root)
    seen, todo, bytes = {}, [root], 0
    while (one = todo.pop)
      key = identity(one)
      next if seen[key] || key == :of_all

      seen[key] = true
      bytes += key.last
      todo.concat(ObjectSpace.reachable_objects_from(one) || [])
    end
    bytes
  end

  # What tells it from every other, and the bytes it is itself; :of_all for what is nobody's own. By `case`, since not
  # every object answers to is_a?.
  def self.identity(one)
    case one
    when Module
      :of_all
    when ObjectSpace::InternalObjectWrapper
      [:inner, one.internal_object_id, 0]
    when Numo::NArray
      [:array, one.__id__, one.byte_size]
    else
      [:plain, one.__id__, 0]
    end
  end
  private_class_method :identity
end
