# frozen_string_literal: true

module SteadyMove
  module Desk
    # Which method carries out which step. A new step: a row in core/moves/step.rb and one here.
    module Acts
      ALL = {
        "prove-contact" => Contacts.method(:prove), "consent" => Contacts.method(:consent), "contacts-shown" => Contacts.method(:shown),
        "fetch-zone" => Records.method(:fetch_zone), "put-zone" => Records.method(:put_zone),
        "compare-hosts" => Records.method(:compare_hosts), "switch-ns" => Records.method(:switch_ns),
        "ns-shown" => Records.method(:ns_shown), "ns-settled" => Records.method(:ns_settled),
        "unlock" => Registration.method(:unlock), "lock-gone" => Registration.method(:lock_gone),
        "get-code" => Registration.method(:get_code), "check-code" => Registration.method(:check_code),
        "order" => Registration.method(:order), "registry-pending" => Release.method(:registry_pending),
        "release" => Release.method(:release), "landed" => Release.method(:landed),
        "lock-back" => Release.method(:lock_back), "check-landed" => Release.method(:check_landed),
        "make-safe" => Release.method(:make_safe)
      }.freeze

      # Does a job's step, by connection or by looking for the proof of what a person does. Returns an Outcome.
      def self.call(job) = (job.by_hand? && ByHand::PROOFS.key?(job.step) ? ByHand.method(:call) : ALL.fetch(job.step)).call(job)
    end
  end
end
