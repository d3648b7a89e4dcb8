# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # Which of a name's contacts a move depends on.
      module ContactRoles
        module_function

        # The role whose mailbox decides: where the registry asks by mail, the registrant; where a
        # code is mailed, whom the account's habits name.
        def deciding(account, family)
          return "registrant" if family&.approval == "mail"

          %w[admin technical].find { |role| account.habits["code_to"] == role } || "registrant"
        end

        # Does a mail decide the move of a judged name?
        def mail_decides?(judged)
          family = judged.judgement.family
          !family.nil? && Core::Readiness::Rules::Persons.mail_decides?(judged.facts, family)
        end

        # The address that a registrar writes to in a move, or nil.
        def address(facts, role)
          address =
            (facts[:"#{role}_email"] || (facts[:registrant_email] unless role == "technical")).to_s
          address.empty? ? nil : address
        end
      end
    end
  end
end
