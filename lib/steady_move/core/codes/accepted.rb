# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # Which authorization codes an account can take, as a person writes it down: how long, then
      # the signs, one by one or from one to another: “6-64 a-z A-Z 0-9 - _”. Without signs it takes
      # every printable one (RFC 5733 passes pw as a normalizedString; that forms take less is
      # common practice). Nothing of it is run, so that whatever is written costs a look at each
      # sign of the code.
      class Accepted
        FORM = /\A(\d{1,3})-(\d{1,3})((?: [!-~](?:-[!-~])?)*)\z/
        ALL = (" ".."~")

        attr_reader :text

        # Returns nil for what is not written so.
        #   Codes::Accepted.read("6-8 a-z -").takes?("ab-cde") # => true
        #   Codes::Accepted.read("6-8 a-z -").takes?("ab_cde") # => false
        #   Codes::Accepted.read("(") # => nil
        def self.read(text)
          match = FORM.match(text.to_s) or return
          new(text, (match[1].to_i..match[2].to_i), match[3].split)
        end

        def initialize(text, length, signs)
          @text = text
          @length = length
          @signs = signs.empty? ? nil : signs.flat_map { |s| (s[0]..s[-1]).to_a }.to_set
        end

        # Can it take this code?
        def takes?(code)
          code = code.to_s
          @length.cover?(code.length) && code.each_char.all? { |sign| sign?(sign) }
        end

        private

        def sign?(sign) = @signs ? @signs.include?(sign) : ALL.cover?(sign) && sign.length == 1
      end
    end
  end
end
