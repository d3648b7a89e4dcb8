# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # French.
        module Fr
          GAP = Language::GAP
          MONTHS = {
            "janv(?:ier|\\.)?" => 1,
            "févr(?:ier|\\.)?|fevrier" => 2,
            "mars" => 3,
            "avr(?:il|\\.)?" => 4,
            "mai" => 5,
            "juin" => 6,
            "juil(?:let|\\.)?" => 7,
            "août|aout" => 8,
            "sept(?:embre|\\.)?" => 9,
            "oct(?:obre|\\.)?" => 10,
            "nov(?:embre|\\.)?" => 11,
            "déc(?:embre|\\.)?|decembre" => 12
          }.freeze
          DAYS = {
            "lundi" => 1,
            "mardi" => 2,
            "mercredi" => 3,
            "jeudi" => 4,
            "vendredi" => 5,
            "samedi" => 6,
            "dimanche" => 0
          }.freeze
          NUMBERS = {
            "une?" => 1,
            "deux" => 2,
            "trois" => 3,
            "quatre" => 4,
            "cinq" => 5,
            "six" => 6,
            "sept" => 7,
            "huit" => 8,
            "dix" => 10,
            "quinze" => 15
          }.freeze

          WORDS =
            Language.new(
              id: "fr",
              ended: /\btransfert\b#{GAP}{0,60}\b(?:refusé|annulé|échoué|rejeté)/ix,
              answers: {
                "wants" =>
                  /\b(?:merci\ de|veuillez|pouvez-vous|pourriez-vous)\b#{GAP}{0,40}\b(?:envoyer|
                    transmettre|fournir|joindre|confirmer|indiquer|communiquer)\b|
                   \bnous\ avons\ (?:encore\ )?besoin\b/ix,
                "refused" =>
                  /\bne\ (?:pouvons|pourrons|peut|peuvent)\b#{GAP}{0,20}\bpas\b|
                   \b(?:refusée?|rejetée?)\b|
                   \bn['’](?:est|était)\ pas\ possible\b/ix,
                "done" =>
                  /\b(?:a|ont)\ (?:bien\ )?été\ (?:déverrouillée?s?|levée?s?|retirée?s?|envoyée?s?|
                    modifiée?s?|désactivée?s?|libérée?s?|effectuée?s?)\b/ix
              },
              passed:
                /(?:identité|vérification|contrôle|documents?|pièces?|
                  justificatifs?)#{GAP}{0,60}(?:confirmée?s?|
                  vérifiée?s?|validée?s?|acceptée?s?|réussie?|terminée?|approuvée?s?)/ix,
              marker:
                /\b(?:le|la|les|des|votre|vous|nous|est|été|pour|une?|dans|du|sur|avec|et)\b/i,
              kinds: {
                "landed" => [
                  [
                    5,
                    /\btransfert\b#{GAP}{0,60}(?:terminé|achevé|effectué|finalisé|abouti|réussi|
                      complet)/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\b(?:a\ été\ (?:bien\ )?transféré|est\ désormais\ (?:géré|enregistré|chez)|
                      nous\ a\ quittés?)/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:veuillez|merci\ de|devez)\b#{GAP}{0,50}(?:approuver|confirmer|valider|
                      autoriser|
                     accepter)
                  #{GAP}{0,60}transfert/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /\btransfert\b#{GAP}{0,80}(?:votre\ (?:accord|approbation|confirmation|
                      autorisation))|
                  (?:approuvez|confirmez|autorisez)#{GAP}{0,50}transfert/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /\b(?:pièce|justificatif|vérification|contrôle|preuve)\ d['’]identité|
                      \bpasseport\b|votre\ identité/ix,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:vérifi|confirm|valid)\w*#{GAP}{0,50}(?:adresse|e-?mail|courriel|
                      coordonnées|contact)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\bcode\ (?:d['’](?:autorisation|authentification|auth)|de\ transfert|auth|EPP|
                      AuthInfo)|
                     \bauth-?(?:info|code)|
                  \bclé\ de\ transfert/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /\b(?:demande|demandé|informés?|notification)\b#{GAP}{0,90}(?:transfér\w*|
                     transfert)#{GAP}{0,60}
                  (?:autre|sortant|vers)/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\btransfert sortant|\b(?:va|doit) (?:nous )?quitter|sera transféré/i,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\bsans\ (?:réponse|opposition|réaction)|\bsi\ vous\ ne\ (?:faites\ rien|
                      répondez)/ix,
                    :silence_lets_it_go_ahead
                  ],
                  [
                    3,
                    /\b(?:vous )?opposer|\b(?:refuser|annuler|rejeter)\b#{GAP}{0,30}transfert/i,
                    :it_says_how_to_stop_a_transfer
                  ]
                ],
                "lock-notice" => [
                  [
                    5,
                    /\bverrou(?:illage)?\b|\bdéverrouill|\bprotection\ (?:contre\ le|
                      de)\ transfert/ix,
                    :a_lock_was_set_or_taken_off
                  ]
                ],
                "hold" => [
                  [14, /(?:domaine|nom)#{GAP}{0,60}(?:suspendu|désactivé)/ix, :the_name_is_on_hold]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:facture|paiement|prélèvement|montant)#{GAP}{0,60}(?:impayé|en\ retard|
                      échoué|refusé|dû|exigible|n[’']a\ pas)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:facture|reçu|paiement|confirmation\ de\ (?:la\ )?commande)\b/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:montant|TVA|total)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:offre\ spéciale|remise|réduction|restez|économisez|bon\ d['’]achat|
                      code\ promo)|
                désolés?\ de\ vous\ voir\ partir/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve:
                /(?<!\p{L})(?:approuv\w*|approbation|accept\w*|confirm\w*|autoris\w*|valid(?:er|ez|
                  ation)|
                      libér\w*|accord)/ix,
              decline:
                /(?<!\p{L})(?:refus\w*|rejet\w*|annul\w*|conserv\w*|gard(?:er|ez)|arrêt\w*|
                  oppos\w*|contest\w*|
                      bloqu\w*)/ix,
              refusal:
                /(?<!\p{L})(?:ne|n['’])#{GAP}{0,20}pas#{GAP}{0,15}(?:approuv|accept|confirm|autoris|
                      valid)\w*/ix,
              unhappened: {
                inside:
                  /\b(?:sera|seront|pas|n['’](?:a|est)|ne|pourra|peut|doit|va|échoué|en\ cours|
                    impossible|
                       annulé|rejeté|
                       pourrait|bientôt|demandé)\b/ix,
                opening:
                  /\A\W*(?:une\ fois|dès\ que|quand|lorsque|si|après|avant|pour)\b|\b(?:une\ fois|
                    dès\ que|
                        lorsque|si)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:une fois|dès|quand|lorsque|si|sous|dans)\b/i
              },
              wrote: "a écrit|écrivit",
              earlier:
                "message d['’]origine|message transféré|votre (?:message|demande)|vous avez " \
                  "écrit|historique",
              headers: %w[De Envoyé À Objet Date Cc],
              footer: "vous recevez ce",
              mailing: /se d[ée]sabonner|d[ée]sabonne\w*|se d[ée]sinscrire|d[ée]sinscri\w*/i,
              of_codes:
                /\A\W{0,3}(?:a\ été\ |est\ )?(?:statut|état|envoy|demand|expir|valable|créé)/ix,
              halves: /\b(?:moitié|(?:première|seconde|deuxième)\s+partie|partie\s*[12])\b/i,
              no_codes: %w[
                actif
                annulé
                annulée
                approuvé
                attente
                aucun
                aucune
                bientôt
                ci-dessous
                ci-
                joint
                confirmé
                créé
                demandé
                demandée
                disponible
                déverrouillé
                en-attente
                envoyé
                envoyée
                expiré
                expirée
                expédié
                généré
                inactif
                inconnu
                indisponible
                invalide
                masqué
                non
                oui
                prêt
                refusé
                requis
                suit
                supprimé
                terminé
                terminée
                traitement
                transmis
                valable
                valide
                verrouillé
                voir
                échec
                échoué
              ],
              codes:
                "(?:code (?:d['’](?:autorisation|authentification|auth)|de " \
                  "transfert|auth|EPP|AuthInfo)|" \
                  "clé de transfert)",
              leads:
                "(?:jusqu['’]au|avant(?: le)?|au plus tard(?: le)?|d['’]ici(?: le| au)?|date " \
                  "limite|" \
                  "(?:expire|prend fin|échéance)(?: le)?)",
              within: "(?:dans(?: les| un délai de)?|sous|vous avez|d['’]ici)",
              asides:
                /\b(?:payé|enregistré|renouvelé|valable|valide|facture|offre|réservé|
                  enregistrement)\b/ix,
              acts:
                /(?:répon|approuv|confirm|accept|refus|annul|oppos|veuillez|merci\ de|devez|avez|
                  délai|limite|
                   lien|
                   demande|valid|autoris|sans\ réponse|nouvelles)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "heures?|h" => 3600,
                "jours?(?: calendaires)?" => 86_400,
                "semaines?" => 604_800,
                "jours? (?:ouvrés?|ouvrables?)" => :business
              }
            )
        end
      end
    end
  end
end
