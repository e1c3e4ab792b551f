# frozen_string_literal: true

module MossyAnvil
  # Steps over long arrays that write over the first of two instead of making a third: half the time where many follow
  # each other.
  # Only for an array that was made just before and that nobody else holds. Each gives it back.
  module InPlace
    module_function

    def add(array, other) = done(array, array.inplace + other)
    def subtract(array, other) = done(array, array.inplace - other)
    def multiply(array, other) = done(array, array.inplace * other)
    def clip(array, least, most) = done(array, array.inplace.clip(least, most))

    # What an in-place step returns would go on to be written over; the array itself is not.
    def done(array, _to_be_written_over) = array
    private_class_method :done
  end
end
