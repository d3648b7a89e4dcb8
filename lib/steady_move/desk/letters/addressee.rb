# frozen_string_literal: true

module SteadyMove
  module Desk
    module Letters
      # Whom a letter goes to, and what of ours has to stand in it for them. to: address; title: of
      # the registrar; login: our sign-in there; customer: our number there; words: the account's
      # own, in every letter; signed: who signs besides whoever writes. Each but the first two may
      # be nil.
      Addressee =
        Struct.new(:to, :title, :login, :customer, :words, :signed, keyword_init: true) do
          # The support of an account; to: another address than the one that is noted.
          def self.of(account, to: account.habits["support"])
            login, customer, words, signed =
              account.habits.values_at("login", "customer", "letter_words", "letter_signed")
            new(
              to: to,
              title: account.title,
              login: login,
              customer: customer,
              words: words,
              signed: signed
            )
          end
        end
    end
  end
end
