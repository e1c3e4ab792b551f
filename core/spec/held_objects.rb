# frozen_string_literal: true

require "objspace"

# What an object keeps alive, looked through to its end: Ruby's own count of memory does not see how large arrays are.
module HeldObjects
  # Objects of that class that can be reached from it, but through classes.
  def self.of(root, wanted)
    seen, todo, found = {}, [root], []
    while (one = todo.pop)
      key = identity(one)
      next if key.nil? || seen[key]

      seen[key] = true
      found << one if wanted === one # rubocop:disable Style/CaseEquality -- not every object answers to is_a?
      todo.concat(ObjectSpace.reachable_objects_from(one) || [])
    end
    found
  end

  # What tells it from every other; nil for what is nobody's own.
  def self.identity(one)
    case one
    when Module
      nil
    when ObjectSpace::InternalObjectWrapper
      [:inner, one.internal_object_id]
    else
      [:plain, one.__id__]
    end
  end
  private_class_method :identity
end
