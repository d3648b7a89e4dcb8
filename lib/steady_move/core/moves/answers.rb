# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # What an EPP result code means for what was asked (codes: RFC 5730 §3, all of them). The
      # commands are named as in RFC 5730 and 5731: “info”, “update”, “transfer request”, “transfer
      # query”, “transfer approve”, “transfer cancel”, “login”, “poll”.
      module Answers
        # done: it was done, or taken; theirs: trouble of the other side, to be tried again;
        # misunderstood: the other side does not know this command or form; money: it wants to be
        # paid; not_eligible, policy: rules speak against it; sign_in: the account's words are not
        # taken; not_ours: the name is not, or no longer, this account's; code: the authorization
        # code is wrong; pending, none_pending: there is a transfer, there is none; exists, gone:
        # the object is there already, is not known; prohibited: a status forbids it.
        MEANINGS = %i[
          done
          theirs
          misunderstood
          money
          not_eligible
          policy
          sign_in
          not_ours
          code
          pending
          none_pending
          exists
          gone
          prohibited
        ].freeze

        BY_CODE = {
          1000 => :done,
          1001 => :done,
          1300 => :done,
          1301 => :done,
          1500 => :done,
          2000 => :misunderstood,
          2001 => :misunderstood,
          2002 => :misunderstood,
          2003 => :misunderstood,
          2004 => :misunderstood,
          2005 => :misunderstood,
          2100 => :misunderstood,
          2101 => :misunderstood,
          2102 => :misunderstood,
          2103 => :misunderstood,
          2104 => :money,
          2105 => :policy,
          2106 => :not_eligible,
          2200 => :sign_in,
          2201 => :not_ours,
          2202 => :code,
          2300 => :pending,
          2301 => :none_pending,
          2302 => :exists,
          2303 => :gone,
          2304 => :prohibited,
          2305 => :prohibited,
          2306 => :policy,
          2307 => :misunderstood,
          2308 => :policy,
          2400 => :theirs,
          2500 => :theirs,
          2501 => :sign_in,
          2502 => :theirs
        }.freeze

        # Where a command gives a code a meaning of its own: of an old transfer between others, only
        # its parties are told.
        BY_COMMAND = {
          ["transfer query", 2201] => :none_pending,
          ["transfer cancel", 2201] => :none_pending
        }.freeze

        # Meanings that only a person can do something about; the others are tried again.
        FOR_A_PERSON = %i[
          misunderstood
          money
          not_eligible
          policy
          sign_in
          not_ours
          exists
          gone
        ].freeze

        module_function

        # Returns one of MEANINGS; a code that RFC 5730 does not know goes by its class (§3: the
        # first two digits).
        #   Moves::Answers.meaning("transfer query", 2201) # => :none_pending
        #   Moves::Answers.meaning("update", 2201) # => :not_ours
        #   Moves::Answers.meaning("update", 2499) # => :theirs
        def meaning(command, code)
          BY_COMMAND[[command, code]] || BY_CODE[code] || by_class(code)
        end

        def for_a_person?(meaning) = FOR_A_PERSON.include?(meaning)

        def by_class(code)
          return :done if code.between?(1000, 1999)

          code.between?(2400, 2599) ? :theirs : :policy
        end
        private_class_method :by_class
      end
    end
  end
end
