# frozen_string_literal: true

require "argon2"
require "bcrypt"

module SteadyMove
  module Desk
    module People
      # What a password has to be, and how it is kept: hashed with Argon2id (RFC 9106), which cuts
      # nothing off. Hashes of earlier versions (bcrypt, which reads 72 octets) still open the door
      # once and are then made anew.
      class Passwords
        # Characters; ASVS 4.0, 2.1.1 and 2.1.2.
        LEAST = 12
        MOST = 256
        # How many guesses a common password takes at most, and how much of a long one is looked at
        # for that.
        COMMON = 10**6
        LOOKED_AT = 64
        # 64 MiB, two passes, one lane: RFC 9106 §4, second choice, with fewer passes; checked
        # against each hash's own.
        COST = { t_cost: 2, m_cost: 16, p_cost: 1 }.freeze

        # The lists of what is common: read once, when the first password is chosen.
        def self.guessing
          @guessing ||=
            begin
              require "zxcvbn"
              Zxcvbn::Tester.new
            end
        end

        def initialize(cost: COST)
          @argon2 = Argon2::Password.new(cost.dup)
          @cost = cost
          @turn = Mutex.new
          @nobody = Argon2::Password.new(cost.dup).create("nobody")
          @nobody_old = BCrypt::Password.create("nobody", cost: old_cost)
        end

        def hash(text) = @argon2.create(text)

        # Does a text fit a hash? One at a time: guessing never takes more than one processor. old:
        # are there hashes of an earlier kind? Then both kinds are computed for everybody, so that
        # the time tells nothing about an account. hash may be nil, where there is no such account.
        def right?(hash, text, old: false)
          @turn.synchronize do
            fits = [argon2?(hash, text)]
            fits << bcrypt?(hash, text) if old || old?(hash)
            fits.any?
          end
        end

        def old?(hash) = hash.to_s.start_with?("$2")

        # Is this hash made as new ones are?
        def current?(hash)
          hash.to_s.include?(
            "$argon2id$v=19$m=#{2**@cost[:m_cost]},t=#{@cost[:t_cost]},p=#{@cost[:p_cost]}$"
          )
        end

        # Raises Refused where a text is no password; email: of whom it would be.
        def check(text, email:)
          refuse(:password_short, least: LEAST) if text.length < LEAST
          refuse(:password_long, most: MOST) if text.length > MOST
          refuse(:password_common) if common?(text, email)
        end

        def inspect = "#<Passwords>"

        private

        def refuse(key, **values) = raise(Refused.new(:invalid, key, **values))

        # By zxcvbn: lists of common passwords, words and names, repetitions, keyboard runs, dates,
        # and what is close to them; a person's own address counts as common.
        def common?(text, email)
          return true if email.downcase.include?(text.downcase)

          own = [email, *email.split(/[@.\-_]/), "steady", "move", "steadymove"]
          self.class.guessing.test(text[0, LOOKED_AT], own).guesses < COMMON
        end

        def argon2?(hash, text)
          mine = hash.to_s.start_with?("$argon2id$")
          Argon2::Password.verify_password(text, mine ? hash : @nobody) && mine
        end

        def bcrypt?(hash, text)
          BCrypt::Password.new(old?(hash) ? hash : @nobody_old).is_password?(text) && old?(hash)
        end
        def old_cost = @cost == COST ? 12 : BCrypt::Engine::MIN_COST
      end
    end
  end
end
