# frozen_string_literal: true

module SteadyMove
  module Core
    # Yes, no, or not known. No object of this kind is false or nil, so that nothing turns “not
    # known” into one of the others by accident: whoever wants to decide asks `yes?` or `no?`, which
    # are both false of what is not known.
    class Answer
      # value: true, false or nil for not known. Raises ArgumentError for anything else.
      #   Answer.of(nil).yes? # => false
      #   Answer.of(nil).no? # => false
      def self.of(value)
        case value
        when Answer
          value
        when true
          YES
        when false
          NO
        when nil
          UNKNOWN
        else
          raise ArgumentError, "an answer is true, false or nil (not known), not #{value.inspect}"
        end
      end

      # Yes where all are, no where any is, else not known (Kleene's strong conjunction). Nothing at
      # all is not known.
      #   Answer.all([Answer::YES, Answer::UNKNOWN]).unknown? # => true
      def self.all(answers)
        return NO if answers.any?(&:no?)

        answers.any? && answers.all?(&:yes?) ? YES : UNKNOWN
      end

      def initialize(word)
        @word = word
        freeze
      end

      def yes? = @word == "yes"
      def no? = @word == "no"
      def unknown? = @word == "unknown"
      def known? = !unknown?
      # “yes”, “no” or “unknown”, as it is shown and sent.
      def to_s = @word
      # true, false or nil, for where it is kept.
      def to_value = { "yes" => true, "no" => false }[@word]
      def ==(other) = other.is_a?(Answer) && to_s == other.to_s
      alias eql? ==
      def hash = @word.hash
      def inspect = "#<Answer #{@word}>"

      YES = new("yes")
      NO = new("no")
      UNKNOWN = new("unknown")
    end
  end
end
